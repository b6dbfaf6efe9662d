import { Link, usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Icon, LogoMark, useInks } from '@/ui';
import { text } from './text';

const SECTIONS = [
  { href: '/', icon: 'calendar-today', name: 'today', of: /^\/$/ },
  {
    href: '/orders',
    icon: 'clipboard-text-outline',
    name: 'orders',
    of: /^\/(orders|joints|runs)/,
  },
  { href: '/find', icon: 'magnify', name: 'find', of: /^\/(find|sheets)/ },
  { href: '/bench', icon: 'chart-bell-curve', name: 'bench', of: /^\/(bench|practice)/ },
  { href: '/shop', icon: 'toolbox-outline', name: 'shop', of: /./ },
] as const;

/** While a run is on the screen, nothing else is: its hands are full. */
export const useHasNav = (): boolean => !/^\/(runs|practice)\/[^/]+\/?$/.test(usePathname());

/** The five sections: a bar below on a phone, a rail beside at the desk. */
export function MainNav({ isRail }: { isRail: boolean }) {
  const inks = useInks();
  const pathname = usePathname();
  const here = SECTIONS.find((p) => p.of.test(pathname));
  return (
    <View
      role="navigation"
      aria-label={text.nav}
      style={[
        isRail ? styles.rail : styles.bar,
        { backgroundColor: inks.card, borderColor: inks.line },
      ]}
    >
      {isRail ? (
        <View aria-hidden style={styles.logo}>
          <LogoMark />
        </View>
      ) : null}
      {SECTIONS.map((section) => {
        const isHere = section === here;
        return (
          <Link
            key={section.href}
            href={section.href as never}
            aria-current={isHere ? 'page' : undefined}
            style={isRail ? styles.railItem : styles.barItem}
          >
            <View style={styles.inner}>
              <View style={[styles.pill, isHere && { backgroundColor: inks.brandSoft }]}>
                <Icon name={section.icon} size={24} color={isHere ? inks.brand : inks.inkSoft} />
              </View>
              <Text
                style={{
                  fontSize: 13,
                  fontWeight: '700',
                  color: isHere ? inks.brand : inks.inkSoft,
                }}
              >
                {text.sections[section.name]}
              </Text>
            </View>
          </Link>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', borderTopWidth: 1, paddingTop: 4, paddingBottom: 4 },
  barItem: { flexGrow: 1, flexBasis: 0, minHeight: 56 },
  rail: { width: 92, borderRightWidth: 1, paddingVertical: 12, gap: 14, alignItems: 'stretch' },
  railItem: { minHeight: 60 },
  inner: { alignItems: 'center', justifyContent: 'center', gap: 2, minHeight: 56, width: '100%' },
  pill: { borderRadius: 16, paddingHorizontal: 16, paddingVertical: 3 },
  logo: { alignItems: 'center', paddingBottom: 10 },
});
