// What the data layer needs of core only once there is a run, a sheet, a photo or a wrench.
export { runReplies } from '@stennet/core/contract/work';
export { entryProof, sha256OfBytes, traceName } from '@stennet/core/record';
export {
  WRENCH_ADDRESS,
  AnyHelloSchema,
  WRENCH_VERSION,
  WrenchButtonSchema,
  WrenchLiveSchema,
  WrenchStateSchema,
  WrenchHelloSchema,
  WrenchPullSchema,
} from '@stennet/core/trace';
export { UnsentFileSchema } from './unsentForm';
