import type { ChildProcess } from 'node:child_process';

export interface RunningServer {
  readonly address: string;
  readonly child: ChildProcess;
  readonly ended: Promise<unknown>;
  stop(): Promise<void>;
}

export function startServer(options: {
  databaseUrl: string;
  port: number;
  env?: Record<string, string>;
  stdio?: 'inherit' | 'ignore';
}): Promise<RunningServer>;

export function runTs(file: string, options?: { env?: Record<string, string>; args?: string[] }): Promise<void>;
