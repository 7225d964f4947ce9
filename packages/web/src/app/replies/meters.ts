export { meterSchema, metersSchema } from '@yarnix/core';
