import type { Me } from '@stennet/core/contract';
import { useUnverified } from '@/data';
import { useClockOff } from '@/platform/clockOff';
import { Notice } from '@/ui';
import { text } from './text';

/** What must be known on every screen: who is not verified yet, and a clock that would put wrong times on the record. */
export function Warnings({ me }: { me: Me }) {
  const isUnverified = useUnverified() === me.person.id;
  const minutes = useClockOff();
  return (
    <>
      {isUnverified ? <Notice title={text.unverified(me.person.name)} text={text.unverifiedText} look="warn" /> : null}
      {minutes !== 0 ? <Notice title={text.clockOff(minutes)} text={text.clockOffText} look="warn" alert /> : null}
    </>
  );
}
