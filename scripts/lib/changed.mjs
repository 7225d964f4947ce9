import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';
import { quiet } from './run.mjs';

const git = (...args) => quiet('git', args, { cwd: root });
const lines = (result) => (result.ok ? result.text.split('\n').filter(Boolean) : []);

/** Files that differ from the last commit, new ones too; those of the last commit itself when nothing does. */
export function changedFiles() {
  const now = [
    ...lines(git('diff', '--name-only', 'HEAD')),
    ...lines(git('ls-files', '--others', '--exclude-standard')),
  ];
  const all = now.length > 0 ? now : lines(git('diff', '--name-only', 'HEAD~1', 'HEAD'));
  return [...new Set(all)].filter((file) => existsSync(join(root, file)));
}
