/** The shapes of what the server answers, apart so that the first screen need not wait for what checks them. */
export {
  followUpsPageSchema,
  latestRefitSchema,
  probeFaultsSchema,
  problemSchema,
  sessionSchema,
  systemDetailSchema,
  systemsPageSchema,
  visitsPageSchema,
  watchChangesSchema,
  watchPageSchema,
} from '@yarnix/core';
