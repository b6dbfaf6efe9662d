import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { BigButton, Line } from '@/ui';
import { text } from '../text';

/** One record from another shop, in a list. */
export function ForeignRow({
  of: { run, number, joint },
  under,
}: {
  of: { run: string; number: string; joint: string };
  under: string;
}) {
  const router = useRouter();
  const title = text.foreignTitle({ number, joint });
  return (
    <View style={{ gap: 8, marginTop: 8 }}>
      <View>
        <Line strong>{title}</Line>
        <Line>{under}</Line>
      </View>
      <BigButton
        text={text.foreignOpen}
        label={`${text.foreignOpen}: ${title}`}
        look="quiet"
        size="desk"
        onPress={() => router.push(`/foreign/${run}`)}
      />
    </View>
  );
}
