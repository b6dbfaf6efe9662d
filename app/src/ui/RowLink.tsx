import { Link } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import PaperIcon from './PaperIcon';
import { useInks } from './theme';

interface Props {
  href: string;
  icon: string;
  title: string;
  line: string;
  isWarn?: boolean;
  isLast?: boolean;
}

/** A row that leads somewhere: what it is, and one line about it. */
export function RowLink({ href, icon, title, line, isWarn = false, isLast = false }: Props) {
  const inks = useInks();
  return (
    <Link href={href as never} style={styles.link}>
      <View style={[styles.row, !isLast && { borderBottomWidth: 1, borderBottomColor: inks.line }]}>
        <PaperIcon name={icon} size={26} color={isWarn ? inks.warnText : inks.inkSoft} />
        <View style={styles.words}>
          <Text style={{ fontSize: 17, fontWeight: '700', color: inks.ink }}>{title}</Text>
          <Text style={{ fontSize: 15, color: isWarn ? inks.warnText : inks.inkSoft }}>{line}</Text>
        </View>
        <PaperIcon name="chevron-right" size={24} color={inks.inkSoft} />
      </View>
    </Link>
  );
}

const styles = StyleSheet.create({
  link: { display: 'flex' },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 14,
    minHeight: 64,
    width: '100%',
    paddingVertical: 8,
  },
  words: { flex: 1, minWidth: 0 },
});
