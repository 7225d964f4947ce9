/** The shapes of what the server answers, apart so that the first screen need not wait for what checks them. */
export {
  followUpsPageSchema,
  latestRefitSchema,
  meterSchema,
  metersSchema,
  previewSchema,
  probeFaultsSchema,
  provedCausesSchema,
  problemSchema,
  schoolsSchema,
  sessionSchema,
  systemDetailSchema,
  systemsPageSchema,
  visitsPageSchema,
  watchChangesSchema,
  watchPageSchema,
} from '@yarnix/core';
