import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed, ROLE_TEXT } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import { asAppError, signOut, switchShop, useSignedIn } from '@/data';
import { chooseTheme, useThemeChoice, type ThemeChoice } from '@/platform/preferences';
import { takeNewVersion, useNewVersion } from '@/platform/serviceWorker';
import { BigButton, Card, Columns, Notice, ScreenFrame, useInks } from '@/ui';
import { BayCard } from './BayCard';
import { PinCard } from './PinCard';
import { ShopCard } from './ShopCard';
import { UnsentCard } from './UnsentCard';
import { chooseLanguage, languageChoice, type LanguageChoice } from '@/platform/language';
import { text } from './text';

export function AccountScreen() {
  const inks = useInks();
  const router = useRouter();
  const { me } = useSignedIn();
  const isLead = isAllowed(me.role, 'shop.write');
  const theme = useThemeChoice();
  const isNewer = useNewVersion();
  const [error, setError] = useState<AppError | null>(null);
  const leave = (act: () => Promise<void>, after: () => void) => (): void => {
    act().then(after, (e: unknown) => setError(asAppError(e)));
  };
  const heading = { fontWeight: '700', fontSize: 17, color: inks.ink } as const;

  return (
    <ScreenFrame
      title={text.account}
      back="/"
      subtitle={text.signedInAs({
        name: me.person.name,
        role: ROLE_TEXT[me.role],
        shop: me.shop.name,
      })}
    >
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      {isNewer ? (
        <Notice
          title={text.newVersion}
          action={{ text: text.takeVersion, onPress: takeNewVersion }}
        />
      ) : null}
      {me.shops.length > 1 ? (
        <Card>
          <Text role="heading" aria-level={2} style={heading}>
            {text.otherShops}
          </Text>
          {me.shops
            .filter((s) => s.id !== me.shop.id)
            .map((s) => (
              <BigButton
                key={s.id}
                text={text.goTo({ shop: s.name })}
                look="plain"
                size="desk"
                onPress={leave(
                  () => switchShop(s.id),
                  () => router.replace('/'),
                )}
              />
            ))}
        </Card>
      ) : null}
      <Columns
        left={
          <>
            <Choice
              title={text.light}
              words={text.themes}
              chosen={theme}
              onChoose={(t) => chooseTheme(t as ThemeChoice)}
            />
            <Choice
              title={text.languageTitle}
              words={text.languages}
              chosen={languageChoice()}
              onChoose={(l) => chooseLanguage(l as LanguageChoice)}
            />
            <Card>
              <BigButton
                text={isLead ? text.people : text.ownDoors}
                look="plain"
                size="desk"
                onPress={() => router.push('/people')}
              />
              <BigButton
                text={text.signOut}
                look="plain"
                size="desk"
                onPress={leave(
                  () => signOut(() => router.replace('/')),
                  () => undefined,
                )}
              />
            </Card>
            <UnsentCard />
          </>
        }
        right={
          <>
            <BayCard />
            <PinCard />
            {isLead ? <ShopCard /> : null}
          </>
        }
      />
    </ScreenFrame>
  );
}

/** One of a few, each a button. */
function Choice({
  title,
  words,
  chosen,
  onChoose,
}: {
  title: string;
  words: Readonly<Record<string, string>>;
  chosen: string;
  onChoose: (value: string) => void;
}) {
  const inks = useInks();
  return (
    <Card>
      <Text
        role="heading"
        aria-level={2}
        style={{ fontWeight: '700', fontSize: 17, color: inks.ink }}
      >
        {title}
      </Text>
      <View
        role="radiogroup"
        aria-label={title}
        style={{ flexDirection: 'row', gap: 12, flexWrap: 'wrap' }}
      >
        {Object.entries(words).map(([value, word]) => (
          <BigButton
            key={value}
            text={chosen === value ? `✓ ${word}` : word}
            look={chosen === value ? 'plain' : 'quiet'}
            size="desk"
            grow
            onPress={() => onChoose(value)}
          />
        ))}
      </View>
    </Card>
  );
}
