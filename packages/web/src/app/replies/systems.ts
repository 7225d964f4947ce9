export {
  followUpsPageSchema,
  probeFaultsSchema,
  provedCausesSchema,
  referenceSchema,
  systemDetailSchema,
  systemsPageSchema,
  visitsPageSchema,
} from '@yarnix/core';
