export interface Cluster {
  start(): Promise<void>;
  running(): boolean;
  stop(): void;
  kill(): void;
  destroy(): void;
  ensureDatabase(name: string): Urls;
  hasDatabase(name: string): boolean;
  renameDatabase(from: string, to: string): void;
  dropDatabase(name: string): void;
  urls(name: string): Urls;
}
export interface Urls {
  admin: string;
  owner: string;
  app: string;
}
export function freePort(): Promise<number>;
export function clusterIn(home: string | undefined): Cluster;
export function dataHome(): string;
export function postgresProgram(name: string): string | undefined;
export function keyFolder(home: string): string;
