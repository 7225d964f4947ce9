export function freePort(preferred?: number): Promise<number>;

export interface Cluster {
  readonly adminUrl: string;
  readonly folder: string;
  url(database: string): string;
  stop(): void;
}

export function startCluster(name: string, options?: { fresh?: boolean; durable?: boolean }): Promise<Cluster>;
