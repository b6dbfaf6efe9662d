import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { isAllowed, runName } from '@stennet/core/contract';
import type { JointSheet } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import { PROCEDURE, TAKE_APART } from '@stennet/core/procedure';
import type { Quantity } from '@stennet/core/quantity';
import { CORE_VERSION, type EventOf } from '@stennet/core/run';
import { asAppError, useSignedIn } from '@/data';
import { useUnpracticed } from '@/data/practice';
import { startRun } from '@/data/runs';
import { now } from '@/platform/clock';
import { deviceId, deviceName } from '@/platform/device';
import { newId } from '@/platform/ids';
import { useDeviceOnline } from '@/platform/online';
import { BigButton, Line, Notice } from '@/ui';
import { keepAnswers } from '../answersBefore';
import { text } from '../text';
import type { OutAnswers } from './LeftOut';
import type { Answers } from './WhichOne';

/** Which of the joint's runs is begun. */
export interface RunPlace {
  part: string;
  instance: string | null;
}

/**
 * What earlier runs of the joint know: seats that stay out, steps that are done once for the job.
 */
export interface KnownBefore {
  outNow: OutAnswers;
  once: readonly string[];
  /** Chosen when the joint was tightened, and used again. */
  values: Readonly<Record<string, Quantity>>;
}

/** Starting needs the server, and every answer that stands alone. */
export function StartButton({
  data,
  at,
  answers,
  open,
  known,
}: {
  data: JointSheet;
  at: RunPlace;
  answers: Answers;
  open: readonly string[];
  known: KnownBefore;
}) {
  const { me } = useSignedIn();
  const router = useRouter();
  const isOnline = useDeviceOnline();
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<AppError | null>(null);
  // The same events are sent again when the answer was lost on the way: the server then finds it
  // started already by us.
  const events = useRef<Parameters<typeof startRun>[0] | null>(null);
  const unpracticed = useUnpracticed(data.sheet.kind);
  if (!isAllowed(me.role, 'run.write'))
    return <Notice title={me.role === 'apprentice' ? text.readOnlyApprentice : text.readOnly} />;
  if (unpracticed.length > 0) {
    const first = new AppError('PRACTICE_FIRST', { exercises: unpracticed.join(',') });
    return (
      <Notice
        title={first.message}
        text={first.fix}
        action={{ text: text.practice, onPress: () => router.navigate('/practice') }}
        look="warn"
      />
    );
  }
  const start = (): void => {
    if (busy) return;
    setBusy(true);
    setError(null);
    events.current ??= startEvents(data, at, answers, known, me.shop.id, me.person.id);
    const { joint, sheet, sheetHash } = data;
    const order = { ...data.order, joint: runName({ name: data.order.joint }, at) };
    const [{ run }] = events.current;
    startRun(
      events.current,
      { id: run, joint, order, sheet, sheetHash, people: { [me.person.id]: me.person.name } },
      deviceName(),
    ).then(
      () => {
        keepAnswers(data, me.person.id, answers);
        router.replace(`/runs/${run}`);
      },
      (e: unknown) => {
        setError(asAppError(e));
        setBusy(false);
      },
    );
  };
  return (
    <>
      {error ? (
        <Notice
          title={error.message}
          text={error.code === 'OFFLINE' ? text.startOnline : error.fix}
          look="warn"
          alert
        />
      ) : null}
      {isOnline ? null : <Notice title={text.startOnline} />}
      {open.length > 0 ? (
        <Notice title={text.open({ what: open.join(', ') })} />
      ) : (
        <Line>{text.startReads}</Line>
      )}
      <BigButton
        text={busy ? text.starting : at.part === TAKE_APART ? text.startApart : text.start}
        onPress={start}
        disabled={busy || !isOnline || open.length > 0}
      />
    </>
  );
}

/** The start, and with it what was seen at the vehicle. */
function startEvents(
  data: JointSheet,
  at: RunPlace,
  answers: Answers,
  known: KnownBefore,
  shop: string,
  person: string,
): Parameters<typeof startRun>[0] {
  const started = startedEvent(data, at, known, shop, person);
  const given = data.sheet.tellApart.flatMap(({ question }) =>
    answers[question] === undefined ? [] : [{ question, answer: answers[question] }],
  );
  return [
    started,
    ...given.map((payload, i) => ({
      ...started,
      id: newId(),
      seq: i + 2,
      type: 'variantAnswered' as const,
      payload,
    })),
  ];
}

function startedEvent(
  data: JointSheet,
  { part, instance }: RunPlace,
  { outNow, once, values }: KnownBefore,
  shop: string,
  person: string,
): EventOf<'started'> {
  const { joint, sheet, sheetHash } = data;
  const answered = (is: 'out' | 'repaired'): string[] =>
    Object.keys(outNow).filter((seat) => outNow[seat] === is);
  const [leftOut, repaired] = [answered('out'), answered('repaired')];
  return {
    v: 1,
    id: newId(),
    shop,
    run: newId(),
    hold: 1,
    seq: 1,
    device: deviceId(),
    person,
    deviceTime: now().toISOString(),
    type: 'started',
    payload: {
      joint,
      sheet: sheet.id,
      revision: sheet.revision,
      sheetHash,
      core: CORE_VERSION,
      cautionsRead: true,
      ...(part === PROCEDURE ? {} : { part }),
      ...(instance ? { instance } : {}),
      ...(leftOut.length > 0 ? { leftOut } : {}),
      ...(repaired.length > 0 ? { repaired } : {}),
      ...(once.length > 0 ? { prepared: [...once] } : {}),
      ...(Object.keys(values).length > 0 ? { values } : {}),
    },
  };
}
