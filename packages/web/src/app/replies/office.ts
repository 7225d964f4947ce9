export {
  importDetailSchema,
  importRowsSchema,
  importSchema,
  importsSchema,
  previewSchema,
  reportHeadSchema,
  reportLinkSchema,
  restoreSchema,
  restoresSchema,
  schoolsSchema,
} from '@yarnix/core';
