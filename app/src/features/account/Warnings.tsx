import type { Me } from '@stennet/core/contract';
import { noteStored, useStored, useUnverified } from '@/data';
import { useClockOff } from '@/platform/clockOff';
import { useInsecure } from '@/platform/secure';
import { useStorage } from '@/platform/storage';
import { Notice } from '@/ui';
import { text } from './text';

/**
 * What must be known on every screen: who is not verified yet, and a clock that would put wrong
 * times on the record.
 */
export function Warnings({ me }: { me: Me }) {
  const isUnverified = useUnverified() === me.person.id;
  const minutes = useClockOff();
  const stored = useStored();
  const storage = useStorage();
  const insecure = useInsecure();
  return (
    <>
      {stored.is === 'refused' ? (
        <Notice title={text.storageRefused} text={text.storageRefusedText} look="warn" alert />
      ) : null}
      {stored.is === 'hangs' ? (
        <Notice title={text.storageHangs} text={text.storageHangsText} look="warn" alert />
      ) : null}
      {stored.is === 'cleared' ? (
        <Notice
          title={text.storageCleared({ count: stored.unsent })}
          text={stored.unsent > 0 ? text.storageLost : text.storageNothingLost}
          action={{ text: text.seen, onPress: () => noteStored({ is: 'well' }) }}
          look="warn"
          alert
        />
      ) : null}
      {storage?.isNearlyFull ? <Notice title={text.storageFull} look="warn" alert /> : null}
      {insecure.isToSay ? (
        <Notice
          title={text.insecureTitle}
          text={text.insecure}
          action={{ text: text.seen, onPress: insecure.seen }}
          look="warn"
        />
      ) : null}
      {isUnverified ? (
        <Notice
          title={text.unverified({ name: me.person.name })}
          text={text.unverifiedText}
          look="warn"
        />
      ) : null}
      {minutes !== 0 ? (
        <Notice
          title={(minutes > 0 ? text.clockFast : text.clockSlow)({ count: Math.abs(minutes) })}
          text={text.clockOffText}
          look="warn"
          alert
        />
      ) : null}
    </>
  );
}
