export {
  calendarLinkSchema,
  calendarsSchema,
  jobSchema,
  jobsPageSchema,
  movedSchema,
  planningSchema,
  vanSchema,
  weekSchema,
} from '@yarnix/core';
