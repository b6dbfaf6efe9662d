import { commonText } from '@/language/common';
import { Link, useLocalSearchParams, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { HistoryLine } from '@stennet/core/contract';
import { problemOf, recallPath, useHistory, useSignedIn, type Asked } from '@/data';
import { openFile } from '@/platform/files';
import {
  BigButton,
  Card,
  Heading,
  Line,
  Notice,
  ScreenFrame,
  Section,
  useInks,
  useIsWide,
  Waiting,
} from '@/ui';
import { AskForm } from './parts/AskForm';
import { BringIn } from './parts/BringIn';
import { ForeignRow } from './parts/ForeignRow';
import { HistoryTable } from './parts/HistoryTable';
import { text } from './text';

const NAMES: Record<string, readonly string[]> = {
  vehicle: ['vin'],
  plate: ['plate'],
  joint: ['engine', 'kind'],
  wrench: ['tool'],
  sheet: ['sheet', 'revision'],
  lot: ['lot'],
};

/** What was tightened, by vehicle, kind of joint, wrench, revision or lot; and whom to call. */
export function HistoryScreen() {
  const isWide = useIsWide();
  const router = useRouter();
  const params = useLocalSearchParams<Record<string, string>>();
  const asked = askedIn(params);
  return (
    <ScreenFrame title={text.title} back="/shop" backLabel={commonText.backToShop}>
      <View style={isWide ? styles.wide : styles.column}>
        <View style={[styles.column, isWide && styles.left]}>
          <AskForm
            key={JSON.stringify(params)}
            params={params}
            onAsk={(next) => router.setParams({ ...cleared(params), ...next })}
          />
          <BringIn />
        </View>
        <View style={[styles.column, isWide && styles.right]}>
          {asked ? <Found asked={asked} /> : null}
        </View>
      </View>
    </ScreenFrame>
  );
}

const cleared = (params: Record<string, string>): Record<string, undefined> =>
  Object.fromEntries(Object.keys(params).map((k) => [k, undefined]));

/** What stands in the address, where all of it is there. */
function askedIn(params: Record<string, string>): Asked | null {
  const needed = NAMES[params.by ?? ''];
  if (!needed?.every((name) => params[name])) return null;
  const names = ['by', ...needed, ...(params.by === 'wrench' ? ['from', 'to'] : [])];
  return Object.fromEntries(names.flatMap((name) => (params[name] ? [[name, params[name]]] : [])));
}

function Found({ asked }: { asked: Asked }) {
  const isWide = useIsWide();
  const history = useHistory(asked);
  if (history.isError || !history.data) {
    const retry = (): void => void history.refetch();
    return <Waiting problem={problemOf(history)} text={text} onRetry={retry} />;
  }
  const lines = history.data.pages.flatMap((p) => p.lines);
  const foreign = history.data.pages[0]?.foreign ?? [];
  return (
    <>
      <View role="status">
        <Heading>
          {history.hasNextPage
            ? text.foundMore({ n: lines.length })
            : text.found({ count: lines.length })}
        </Heading>
      </View>
      {lines.length === 0 && foreign.length === 0 ? (
        <Notice title={text.none} text={text.noneText} />
      ) : null}
      {lines.length > 0 ? (
        <BigButton
          text={text.recall}
          hint={text.recallHint}
          look="plain"
          size="desk"
          onPress={() => openFile(recallPath(asked), 'keep')}
        />
      ) : null}
      {isWide && asked.by !== 'wrench' && lines.length > 0 ? (
        <Card>
          <HistoryTable lines={lines} />
        </Card>
      ) : (
        lines.map((line) => <LineCard key={line.run} line={line} />)
      )}
      {history.hasNextPage ? (
        <BigButton
          text={text.more}
          look="quiet"
          size="desk"
          onPress={() => void history.fetchNextPage()}
        />
      ) : null}
      {foreign.length > 0 ? (
        <Section title={text.foreign}>
          {foreign.map((f) => (
            <ForeignRow
              key={f.run}
              of={f}
              under={text.foreignLine({ from: f.from, fingerprint: f.fingerprint })}
            />
          ))}
          <Line>{text.compare}</Line>
        </Section>
      ) : null}
    </>
  );
}

function LineCard({ line: l }: { line: HistoryLine }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const joint = [l.joint, l.instance].filter(Boolean).join(' ');
  const day = (iso: string): string => format.day(iso.slice(0, 10));
  return (
    <Card>
      <Link
        href={`/runs/${l.run}/record`}
        aria-label={text.open({ number: l.number, joint })}
        style={styles.link}
      >
        <View style={styles.line}>
          <Text
            style={{ fontSize: 18, fontWeight: '700', color: inks.ink }}
          >{`${commonText.ro({ number: l.number })} · ${joint}`}</Text>
          <Text style={{ fontSize: 15, color: inks.inkSoft }}>{day(l.at)}</Text>
        </View>
        <Line>
          {text.line({
            vehicle: `${l.vehicle.maker} ${l.vehicle.model}`,
            plate: l.vehicle.plate,
            customer: l.customer,
          })}
        </Line>
        <Line>{`${text.sheetLine({ title: l.title, revision: l.revision })} · ${l.state === 'finished' ? text.signing[l.signing] : text.states[l.state]}`}</Line>
        {l.use ? (
          <Line strong>
            {[
              pullsLine(l.use.pulls, day(l.use.firstAt), day(l.use.lastAt)),
              l.use.ratio === null
                ? ''
                : text.ratio({ percent: `${format.number(l.use.ratio * 100, 1)} %` }),
            ]
              .filter(Boolean)
              .join(' · ')}
          </Line>
        ) : null}
      </Link>
    </Card>
  );
}

const styles = StyleSheet.create({
  column: { gap: 12 },
  wide: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  left: { width: 360 },
  right: { flex: 1, minWidth: 0 },
  link: { display: 'flex', flexDirection: 'column', alignItems: 'stretch' },
  line: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    flexWrap: 'wrap',
    columnGap: 12,
    width: '100%',
  },
});

/** How often a wrench was used on a joint, and when. */
const pullsLine = (count: number, from: string, to: string): string =>
  text.use({ count, at: from === to ? from : text.between({ from, to }) });
