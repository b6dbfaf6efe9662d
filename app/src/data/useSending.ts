import { useSyncExternalStore } from 'react';
import { onSending, sending, type Sending } from './outbox/sender';

export const useSending = (): Sending => useSyncExternalStore(onSending, sending);
