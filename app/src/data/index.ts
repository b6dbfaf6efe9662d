export { asAppError, call } from './api';
export { useJointSheet, useMe, useOrder, useToday, useWrenches, queryClient, persister, KEEP_MS } from './queries';
export { formatterOf, signIn, signOut, switchShop } from './session';
export { sending, onSending, startSending, type Sending } from './outbox/sender';
export { useSignedIn, SignedIn, type Account } from './account';
export { useLibraryOnDevice } from './useLibraryOnDevice';
export { useSending } from './useSending';
