import { useState } from 'react';
import type { SecurityLine } from '@stennet/core/contract';
import { asAppError, formatterOf, useSignedIn } from '@/data';
import { useSecurityLog } from '@/data/shop';
import { BigButton, Line, Loading, Notice, Section } from '@/ui';
import { text } from './text';

const SHORT = 12;

/** Who did what at the door, when and from where. */
export function DoorLog() {
  const { me } = useSignedIn();
  const [isLong, setLong] = useState(false);
  const { data, isError, error, refetch } = useSecurityLog();
  const lines = (data?.events ?? []).filter((e) => isKnown(e.kind));
  const said = (e: SecurityLine): string =>
    text.logLine({
      what: whatHappened(e),
      where: `${formatterOf(me).dateTime(new Date(e.at))}, ${e.device}, ${e.address}`,
    });
  return (
    <Section title={text.log}>
      <Line>{text.logText}</Line>
      {isError ? (
        <Notice
          title={text.failed}
          text={asAppError(error).fix}
          action={{ text: text.retry, onPress: () => void refetch() }}
          alert
        />
      ) : null}
      {!data && !isError ? <Loading text={text.loading} /> : null}
      {data && lines.length === 0 ? <Line>{text.logNone}</Line> : null}
      {lines.slice(0, isLong ? lines.length : SHORT).map((e, i) => (
        <Line key={`${e.at} ${i}`} strong={e.kind.startsWith('wrong')}>
          {said(e)}
        </Line>
      ))}
      {lines.length > SHORT && !isLong ? (
        <BigButton
          text={text.logMore({ n: lines.length - SHORT })}
          look="quiet"
          size="desk"
          onPress={() => setLong(true)}
        />
      ) : null}
    </Section>
  );
}

/** An event at the door in words; one of a kind that is not known here, by its code. */
function whatHappened({ kind, who, about }: SecurityLine): string {
  const names = { who: who ?? '', about: about ?? '' };
  if (kind === 'wrongPin' && !who) return text.wrongPinShared(names);
  if (kind === 'sessionEnded' && who === about) return text.sessionEndedOwn(names);
  return isKnown(kind) ? text.kinds[kind](names) : kind;
}

const isKnown = (kind: string): kind is keyof typeof text.kinds => Object.hasOwn(text.kinds, kind);
