import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
export const local = join(root, '.local');
export const webDist = join(root, 'packages/web/dist');
export const serverDist = join(root, 'packages/server/dist');
