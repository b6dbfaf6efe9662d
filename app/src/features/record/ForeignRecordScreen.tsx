import { commonText } from '@/language/common';
import { useLocalSearchParams } from 'expo-router';
import { useMemo } from 'react';
import { Text } from 'react-native-paper';
import { eventsIn, runRecord, wordIn, type RecordFile } from '@stennet/core/record';
import { replay } from '@stennet/core/run';
import { asAppError, foreignPath, useForeignCheck, useForeignRecord, useSignedIn } from '@/data';
import { openFile } from '@/platform/files';
import { BigButton, Card, Line, Loading, MONO, Notice, ScreenFrame, Section, useInks } from '@/ui';
import { Fact, FactsCard } from './parts/FactsCard';
import { RecordBody } from './parts/RecordBody';
import { SignedWords } from './parts/SignedWords';
import { text } from './text';

/** A record that another shop made, as it was brought in. */
export function ForeignRecordScreen() {
  const { run } = useLocalSearchParams<{ run: string }>();
  const { data: file, error, refetch } = useForeignRecord(run);
  if (file) return <Ready file={file} />;
  return (
    <ScreenFrame title={text.foreignTitle} back="/history" backLabel={text.backToHistory}>
      {error ? (
        <Notice
          title={text.failed}
          text={`${asAppError(error).message} ${asAppError(error).fix}`}
          action={{ text: text.retry, onPress: () => void refetch() }}
          alert
        />
      ) : (
        <Loading text={text.loading} />
      )}
    </ScreenFrame>
  );
}

function Ready({ file }: { file: RecordFile }) {
  const { order, joint, people } = file;
  const { record, state, words } = useMemo(() => told(file), [file]);
  return (
    <ScreenFrame
      title={text.foreignTitle}
      subtitle={`${joint} · ${commonText.ro({ number: order.number })} · ${file.shop.name}`}
      back={`/history?by=vehicle&vin=${encodeURIComponent(order.vehicle.vin)}`}
      backLabel={text.backToHistory}
    >
      <RecordBody
        record={record}
        people={people}
        state={state}
        joint={joint}
        first={<Where file={file} />}
      >
        <FactsCard record={record} />
        <Section title={text.signing}>
          {words.length === 0 ? <Line>{text.neverSigned}</Line> : null}
          <SignedWords words={words} />
        </Section>
        <Section title={text.out}>
          <BigButton
            text={text.document}
            hint={text.documentHint}
            look="plain"
            size="desk"
            onPress={() => openFile(foreignPath(file.run.id), 'keep')}
          />
          <Line>{text.foreignOnly}</Line>
        </Section>
      </RecordBody>
    </ScreenFrame>
  );
}

/** Folded once: a record that was brought in does not change while it is looked at. */
function told({ sheet, chain, signatures }: RecordFile) {
  const events = eventsIn(chain);
  return {
    record: runRecord(sheet, events),
    state: replay(sheet, events),
    words: signatures.flatMap((row) => wordIn(row) ?? []),
  };
}

/** Whose it is, whether it holds, and by which key: the server has just looked at all of it. */
function Where({ file }: { file: RecordFile }) {
  const { vehicle, odometer } = file.order;
  const inks = useInks();
  const { format } = useSignedIn();
  const { data: check, isError, isFetchedAfterMount, refetch } = useForeignCheck(file.run.id);
  return (
    <Card {...(check?.fault ? { edge: 'warn' as const } : {})}>
      <Text
        role="heading"
        aria-level={2}
        style={{ fontSize: 20, fontWeight: '700', color: inks.ink }}
      >
        {text.madeBy({ shop: file.shop.name })}
      </Text>
      <Fact
        name={text.vehicle}
        value={`${vehicle.maker} ${vehicle.model}, ${vehicle.engine}, ${vehicle.plate}, ${vehicle.vin}`}
      />
      <Fact
        name={text.odometer}
        value={
          odometer ? format.distance(odometer.value, odometer.unit === 'km' ? 'km' : 'mi') : '—'
        }
      />
      {isError ? (
        <Notice
          title={text.notChecked}
          text={text.checkOffline}
          action={{ text: text.retry, onPress: () => void refetch() }}
        />
      ) : !check || !isFetchedAfterMount ? (
        <Loading text={text.signingLoading} />
      ) : (
        <>
          {check.fault ? (
            <Notice
              title={text.broken}
              text={`${check.fault} ${text.bringAgain}`}
              look="warn"
              alert
            />
          ) : (
            <Line strong>{text.foreignHolds({ n: file.chain.length })}</Line>
          )}
          <Line>{text.broughtIn({ by: check.by, at: format.dateTime(new Date(check.at)) })}</Line>
        </>
      )}
      <Line>{text.keyOfThatShop}</Line>
      <Text selectable style={{ fontFamily: MONO, fontSize: 16, color: inks.ink }}>
        {file.shop.fingerprint}
      </Text>
    </Card>
  );
}
