import { Image, View } from 'react-native';
import { ofKind, photoPath, useEntries, useOrder, useSignedIn } from '@/data';
import { Line } from '@/ui';
import { text } from '../text';
import { Fact } from './FactsCard';

/**
 * What the repair order knows of a joint: what went in, what was photographed and measured of it.
 */
export function OrderFacts({ order, joint }: { order: string; joint: string }) {
  const { format } = useSignedIn();
  const entries = useEntries(useOrder(order).data ?? { id: '', entries: [] });
  const isHere = (body: { joint?: string | undefined }): boolean =>
    body.joint === undefined || body.joint === joint;
  const parts = ofKind(entries, 'part').filter((e) => isHere(e.body) && e.body.state === 'fitted');
  const filled = ofKind(entries, 'filled');
  const measured = ofKind(entries, 'measurement').filter((e) => e.body.joint === joint);
  const photos = ofKind(entries, 'photo').filter((e) => e.body.joint === joint && !e.waiting);
  return (
    <>
      {parts.length > 0 ? (
        <Fact
          name={text.parts}
          value={parts
            .map((e) =>
              [
                `${e.body.count} × ${e.body.what}`,
                e.body.number,
                e.body.lot && text.lot({ lot: e.body.lot }),
              ]
                .filter(Boolean)
                .join(', '),
            )
            .join('; ')}
        />
      ) : null}
      {filled.length > 0 ? (
        <Fact
          name={text.filled}
          value={filled.map((e) => `${e.body.what}: ${e.body.amount}`).join('; ')}
        />
      ) : null}
      {measured.map((e) => (
        <Fact
          key={e.id}
          name={e.body.of}
          value={`${text.verdicts[e.body.verdict]} · ${format.dateTime(new Date(e.at))}`}
        />
      ))}
      {photos.map((e) => (
        <View key={e.id}>
          <Image
            source={{ uri: photoPath(e.body.photo) }}
            accessibilityLabel={e.body.of}
            style={{ width: '100%', height: 180 }}
            resizeMode="cover"
          />
          <Line>{e.body.of}</Line>
        </View>
      ))}
    </>
  );
}
