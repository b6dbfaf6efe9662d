import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import type { AppError } from '@stennet/core/errors';
import { asAppError, enterByCode, signIn, useSending, useUnsentByPerson } from '@/data';
import { commonText } from '@/language/common';
import { BigButton, Card, Line, Problem, ScreenFrame, stillLabel, useInks } from '@/ui';
import { SwitchList } from './BayCard';
import { text, unsentOf } from './text';

export function SignInScreen() {
  const inks = useInks();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  /** null: no code was given; else as far as it is typed. */
  const [code, setCode] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  /** From the first try on an empty field says so. */
  const [tried, setTried] = useState(false);
  const missing = (value: string, field: string): string | undefined =>
    tried && !value.trim() ? commonText.missing({ field }) : undefined;
  const [error, setError] = useState<AppError | null>(null);
  const { unsent } = useSending();
  const waiting = useUnsentByPerson(unsent).data ?? [];

  const submit = (): void => {
    if (busy) return;
    setTried(true);
    if (!name.trim() || !password || code === '') return;
    setBusy(true);
    setError(null);
    (code === null ? signIn(name, password) : enterByCode(name, code, password)).catch(
      (e: unknown) => {
        setError(asAppError(e));
        setBusy(false);
      },
    );
  };

  return (
    <ScreenFrame title={text.product} logo>
      <View style={styles.column}>
        <Text style={{ fontSize: 20, lineHeight: 28, color: inks.ink, paddingVertical: 12 }}>
          {text.claim}
        </Text>
        <Card>
          <TextInput
            theme={stillLabel}
            mode="outlined"
            label={text.name}
            accessibilityLabel={text.name}
            value={name}
            onChangeText={setName}
            autoComplete="username"
            autoCapitalize="words"
            onSubmitEditing={submit}
            style={styles.field}
          />
          <Problem text={missing(name, text.name)} />
          {code === null ? null : (
            <>
              <TextInput
                theme={stillLabel}
                mode="outlined"
                label={text.code}
                accessibilityLabel={text.code}
                value={code}
                onChangeText={setCode}
                autoComplete="one-time-code"
                autoCapitalize="characters"
                onSubmitEditing={submit}
                style={styles.field}
              />
              <Problem text={missing(code, text.code)} />
            </>
          )}
          <TextInput
            theme={stillLabel}
            mode="outlined"
            label={code === null ? text.password : text.codePassword}
            accessibilityLabel={code === null ? text.password : text.codePassword}
            value={password}
            onChangeText={setPassword}
            secureTextEntry
            autoComplete={code === null ? 'current-password' : 'new-password'}
            onSubmitEditing={submit}
            style={styles.field}
          />
          <Problem text={missing(password, text.password)} />
          {error ? (
            <View role="alert">
              <Text style={{ color: inks.warnText, fontSize: 16, lineHeight: 22 }}>
                {error.message} {error.fix}
              </Text>
            </View>
          ) : null}
          <BigButton
            text={busy ? text.signingIn : code === null ? text.signIn : text.codeGo}
            onPress={submit}
            disabled={busy}
            size="desk"
          />
          <BigButton
            text={code === null ? text.haveCode : text.noCode}
            look="quiet"
            size="desk"
            onPress={() => setCode(code === null ? '' : null)}
          />
        </Card>
        <SwitchList except={null} />
        {waiting.map((w) => (
          <Line key={w.name}>{unsentOf(w)}</Line>
        ))}
        {unsent > 0 ? (
          <Text style={{ color: inks.inkSoft, fontSize: 15 }}>
            {text.unsentKept({ count: unsent })}
          </Text>
        ) : null}
      </View>
    </ScreenFrame>
  );
}

const styles = StyleSheet.create({
  column: { width: '100%', maxWidth: 440, alignSelf: 'center', gap: 12 },
  field: { fontSize: 18, backgroundColor: 'transparent' },
});
