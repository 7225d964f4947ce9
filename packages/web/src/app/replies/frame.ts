export { problemSchema, sessionSchema } from '@yarnix/core';
