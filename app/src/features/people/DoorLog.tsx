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
  const lines = (data?.events ?? []).filter((e) => text.kinds[e.kind] !== undefined);
  const said = (e: SecurityLine): string =>
    text.logLine(
      text.kinds[e.kind]?.(e.who ?? '', e.about ?? '') ?? e.kind,
      `${formatterOf(me).dateTime(new Date(e.at))}, ${e.device}, ${e.address}`,
    );
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
          text={text.logMore(lines.length - SHORT)}
          look="quiet"
          size="desk"
          onPress={() => setLong(true)}
        />
      ) : null}
    </Section>
  );
}
