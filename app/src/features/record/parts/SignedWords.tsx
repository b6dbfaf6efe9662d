import { View } from 'react-native';
import type { SignedWord } from '@stennet/core/record';
import { useSignedIn } from '@/data';
import { Line } from '@/ui';
import { text } from '../text';

/** Who signed, when, and what was added. */
export function SignedWords({
  words,
}: {
  words: readonly Pick<SignedWord, 'id' | 'kind' | 'name' | 'at' | 'text'>[];
}) {
  const { format } = useSignedIn();
  return words.map((w) => (
    <View key={w.id}>
      <Line strong>{text.signedBy({ what: text.signed[w.kind], name: w.name })}</Line>
      <Line>{`${format.dateTime(new Date(w.at))}${w.text ? ` · ${w.text}` : ''}`}</Line>
    </View>
  ));
}
