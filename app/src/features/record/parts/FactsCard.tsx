import { Image, View } from 'react-native';
import { METHOD_TEXT, type RunRecord } from '@stennet/core/record';
import { ofKind, photoPath, useEntries, useOrder, useSignedIn } from '@/data';
import type { RunView } from '@/data/runs';
import { Line, Section } from '@/ui';
import { text } from '../text';

/** With what it was tightened, what went in and on, and what was photographed and measured of it. */
export function FactsCard({ view, record }: { view: RunView; record: RunRecord }) {
  const { format } = useSignedIn();
  const order = useOrder(view.kept.order.id).data;
  const entries = useEntries(order ?? { id: '', entries: [] });
  const { sheet } = record;
  const pulls = record.fasteners.flatMap((f) => f.pulls).filter((p) => !p.undone);
  const tools = [...new Set(pulls.map((p) => p.wrench ?? METHOD_TEXT[p.method]))];
  const compounds = sheet.groups.flatMap((g) => g.compounds.map((c) => `${g.name}: ${[c.strength, c.kind].filter(Boolean).join(' ')}, ${c.place}`));
  const isHere = (body: { joint?: string | undefined }): boolean => body.joint === undefined || body.joint === view.kept.joint;
  const parts = ofKind(entries, 'part').filter((e) => isHere(e.body) && e.body.state !== 'notNeeded');
  const measured = ofKind(entries, 'measurement').filter((e) => e.body.joint === view.kept.joint);
  const photos = ofKind(entries, 'photo').filter((e) => e.body.joint === view.kept.joint && !e.waiting);
  const derived = record.stages.filter((s) => s.derived).map((s) => s.name);
  return (
    <Section title={text.facts}>
      <Fact name={text.source} value={`${sheet.source.title}, ${sheet.source.publisher}, ${sheet.source.page}`} />
      <Fact name={text.publishedFor} value={sheet.source.condition} />
      {derived.length > 0 ? <Fact name={text.derived} value={derived.join(', ')} /> : null}
      <Fact name={text.tools} value={tools.join('; ')} />
      {compounds.length > 0 ? <Fact name={text.compounds} value={compounds.join('; ')} /> : null}
      {parts.length > 0 ? (
        <Fact
          name={text.parts}
          value={parts.map((e) => [`${e.body.count} × ${e.body.what}`, e.body.number, e.body.lot && text.lot(e.body.lot)].filter(Boolean).join(', ')).join('; ')}
        />
      ) : null}
      {measured.map((e) => (
        <Fact key={e.id} name={e.body.of} value={`${text.verdicts[e.body.verdict]} · ${format.dateTime(new Date(e.at))}`} />
      ))}
      {photos.map((e) => (
        <View key={e.id}>
          <Image source={{ uri: photoPath(e.body.photo) }} accessibilityLabel={e.body.of} style={{ width: '100%', height: 180 }} resizeMode="cover" />
          <Line>{e.body.of}</Line>
        </View>
      ))}
    </Section>
  );
}

function Fact({ name, value }: { name: string; value: string }) {
  if (!value) return null;
  return (
    <View>
      <Line>{name}</Line>
      <Line strong>{value}</Line>
    </View>
  );
}
