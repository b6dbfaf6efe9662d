import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { JointSheet } from '@stennet/core/contract/work';
import { partsOf, sockets, usesTool, type ListedTool } from '@stennet/core/prepare';
import { PHASES, type Sheet } from '@stennet/core/procedure';
import type { Formatter } from '@stennet/core/quantity';
import { inUse, useSignedIn, useTools, type ShownEntry } from '@/data';
import { Section, useInks } from '@/ui';
import { text } from '../text';
import { partOf } from './NewParts';

/**
 * Everything else as one list, in the order it is met at the vehicle; read as a whole, confirmed by
 * starting.
 */
export function LayOut({
  data,
  entries,
  isApart,
}: {
  data: JointSheet;
  entries: readonly ShownEntry[];
  isApart: boolean;
}) {
  const { sheet } = data;
  const inks = useInks();
  const { format } = useSignedIn();
  const tools = useTools();
  const state = (need: ReturnType<typeof partsOf>[number]): string => {
    const part = partOf(data, need, entries);
    return part ? ` · ${text.partState[part.body.state]}` : '';
  };
  const parts = isApart ? [] : partsOf(sheet);
  const lines = [
    ...parts
      .filter((p) => p.key.startsWith('part:'))
      .map((p) =>
        p.need === 'consider'
          ? p.why
            ? text.considerWhy({ what: p.what, why: p.why })
            : text.consider({ what: p.what })
          : `${text.part({ n: p.count, what: p.what })}${state(p)}`,
      ),
    ...parts
      .filter((p) => p.need === 'reuse')
      .map((p) => `${text.part({ n: p.count, what: p.what })}. ${p.why}`),
    sheet.holding?.loosening ? text.holdLoosening({ how: sheet.holding.loosening }) : '',
    !isApart && sheet.holding?.tightening
      ? text.holdTightening({ how: sheet.holding.tightening })
      : '',
    ...shopLines(sheet, tools.data ? inUse(tools.data) : [], format),
    ...sockets(sheet).map((s) => text.socket({ socket: s.socket, n: s.count })),
    ...inOrderMet(sheet).map((s) => s.text),
  ].filter(Boolean);
  return (
    <Section title={text.list}>
      <View>
        {lines.map((line, i) => (
          <View key={i} style={[styles.line, { borderTopColor: inks.line }]}>
            <Text style={{ fontSize: 16, lineHeight: 23, color: inks.ink }}>{line}</Text>
          </View>
        ))}
      </View>
    </Section>
  );
}

/** What the shop has for just this engine: locks, tools that draw on, with what they bear. */
function shopLines(sheet: Sheet, tools: readonly ListedTool[], format: Formatter): string[] {
  const engine = sheet.applies.engine.toLowerCase();
  return tools.flatMap((t) => {
    if (
      (t.kind !== 'crankLock' && t.kind !== 'drawingTool') ||
      !t.fits.toLowerCase().includes(engine) ||
      !usesTool(sheet, t.kind)
    )
      return [];
    return t.kind === 'crankLock'
      ? [text.shopLock({ name: t.name, holds: text.holds[t.holds] })]
      : [text.shopDrawing({ name: t.name, most: format.quantity(t.ceiling).text })];
  });
}

/**
 * Steps by phase, and within one as the sheet has them; what only a failure asks for is not laid
 * out.
 */
function inOrderMet(sheet: Sheet): Sheet['steps'] {
  return PHASES.flatMap((phase) =>
    sheet.steps.filter(
      (s) =>
        s.phase === phase && s.due.when !== 'atFailure' && s.kind !== 'mark' && isDueIn(sheet, s),
    ),
  );
}

/** Not what another part of the sheet asks for. */
const isDueIn = (sheet: Sheet, { due }: Sheet['steps'][number]): boolean =>
  !('stage' in due) || sheet.stages.some((s) => s.id === due.stage);

const styles = StyleSheet.create({ line: { borderTopWidth: 1, paddingVertical: 3 } });
