export { asAppError, problemOf, call } from './api';
export {
  inUse,
  useJointSheet,
  useMe,
  useOrder,
  useOrders,
  usePeople,
  useSetup,
  useSystem,
  useThumb,
  useToday,
  useTools,
  queryClient,
  persistOptions,
  forgetUnshown,
  type KeptTool,
  type OrderFilter,
} from './queries';
export {
  letEntryGo,
  ofKind,
  saveEntry,
  startEntries,
  useEntries,
  type Change,
  type ShownEntry,
} from './entries';
export { photoPath, sendPhoto, shrinkPhoto } from './photos';
export { keepTrace, useTraces } from './traces';
export { useBoltLook, useTraceLooks } from './traceLooks';
export { useWrenchLink, useWrenchLive, type HeardWrench, type WrenchLink } from './wrench';
export { useKeptForm } from './useKeptForm';
export {
  enterByCode,
  formatterOf,
  makeShop,
  signIn,
  signOut,
  switchPerson,
  switchShop,
} from './session';
export { enrolHere, leaveBay, useEnrolled, useUnverified, type Enrolled } from './bay';
export { startLive } from './live';
export { startTouching } from './touch';
export { readUnsent, saveUnsent, useUnsentByPerson } from './unsentFile';
export { sending, onSending, startSending, type Sending } from './outbox/sender';
export { useSignedIn, SignedIn, type Account } from './account';
export { useFollowUp, useSteadyFollowUps } from './useFollowUp';
export { useLibraryOnDevice } from './useLibraryOnDevice';
export { noteStored, useStored } from './stored';
export { loadWorkBy } from './work';
export { useSending } from './useSending';
export { useClocks, type ShownClock } from './clocks';
export { useStatements, say } from './statements';
export {
  archivePath,
  calendarPath,
  eraseCustomer,
  witnessPath,
  dropFeed,
  foreignPath,
  useForeignCheck,
  useForeignRecord,
  handOverPath,
  makeFeed,
  recallPath,
  recordPath,
  saveShop,
  settleFollowUp,
  signRun,
  takeForeign,
  useFollowUps,
  useHistory,
  useSigning,
  type Asked,
} from './records';
