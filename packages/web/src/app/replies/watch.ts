export { latestRefitSchema, watchChangesSchema, watchPageSchema } from '@yarnix/core';
