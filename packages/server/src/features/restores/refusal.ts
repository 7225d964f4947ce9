/** Why a file cannot be read back, in words for whoever sent it. */
export class FileRefused extends Error {}

/** Refuses a file. */
export const refuseFile = (detail: string): never => {
  throw new FileRefused(detail);
};
