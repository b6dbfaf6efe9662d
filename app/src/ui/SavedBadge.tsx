import { commonText } from '@/language/common';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import PaperIcon from './PaperIcon';
import { useInks } from './theme';

interface Props {
  unsent: number;
  refused: number;
  state: 'idle' | 'sending' | 'offline' | 'signIn';
  /** Where there is little room: the sign, and how many. */
  compact?: boolean;
}

/** What the server does not have yet; “saved” only of what it has. */
export function SavedBadge({ unsent, refused, state, compact = false }: Props) {
  const inks = useInks();
  const words = wordsOf({ unsent, refused, state });
  const shown = compact ? String(refused || unsent || '') : words;
  const icon =
    refused > 0
      ? 'alert'
      : unsent === 0
        ? 'cloud-check-outline'
        : state === 'offline'
          ? 'cloud-off-outline'
          : 'cloud-upload-outline';
  return (
    <View
      role="status"
      aria-label={words}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 6,
        borderWidth: 1,
        borderColor: refused ? inks.warn : inks.line,
        borderRadius: 8,
        paddingHorizontal: 8,
        minHeight: 32,
      }}
    >
      <PaperIcon name={icon} size={18} color={refused ? inks.warnText : inks.inkSoft} />
      {shown ? (
        <Text
          style={{ fontSize: 14, fontWeight: '700', color: refused ? inks.warnText : inks.inkSoft }}
        >
          {shown}
        </Text>
      ) : null}
    </View>
  );
}

function wordsOf({ unsent, refused, state }: Omit<Props, 'compact'>): string {
  const { saved } = commonText;
  if (refused > 0) return saved.refused({ count: refused });
  if (unsent === 0) return saved.saved;
  if (state === 'signIn') return saved.signIn({ n: unsent });
  return (state === 'offline' ? saved.offline : saved.toSend)({ n: unsent });
}
