declare module 's3rver' {
  interface Given {
    port: number;
    address: string;
    silent: boolean;
    directory: string;
    configureBuckets: { name: string; configs: string[] }[];
  }
  export default class S3rver {
    constructor(given: Given);
    run(): Promise<{ port: number; address: string }>;
    close(): Promise<void>;
  }
}
