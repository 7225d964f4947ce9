export {
  importDetailSchema,
  importRowsSchema,
  importSchema,
  importsSchema,
  previewSchema,
  reportHeadSchema,
  reportLinkSchema,
  restoredSchema,
  schoolsSchema,
} from '@yarnix/core';
