import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { BigButton } from './BigButton';
import { Card } from './Card';
import { useInks } from './theme';

interface Props {
  title: string;
  text?: string;
  action?: { text: string; onPress: () => void };
  look?: 'plain' | 'warn';
  alert?: boolean;
}

/** Empty, error, offline: what is so, and what to do now. */
export function Notice({ title, text, action, look = 'plain', alert = false }: Props) {
  const inks = useInks();
  return (
    <View role={alert ? 'alert' : undefined}>
      <Card {...(look === 'warn' ? { edge: 'warn' as const } : {})}>
        <Text style={{ fontWeight: '700', fontSize: 18, color: inks.ink }}>{title}</Text>
        {text ? (
          <Text style={{ fontSize: 16, lineHeight: 23, color: inks.inkSoft }}>{text}</Text>
        ) : null}
        {action ? (
          <BigButton text={action.text} onPress={action.onPress} look="plain" size="desk" />
        ) : null}
      </Card>
    </View>
  );
}
