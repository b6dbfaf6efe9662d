import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import type { AppError } from '@stennet/core/errors';
import { asAppError, signIn, useSending, useUnsentByPerson } from '@/data';
import { BigButton, Card, Line, ScreenFrame, useInks } from '@/ui';
import { SwitchList } from './BayCard';
import { text } from './text';

export function SignInScreen() {
  const inks = useInks();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<AppError | null>(null);
  const { unsent } = useSending();
  const waiting = useUnsentByPerson(unsent).data ?? [];

  const submit = (): void => {
    if (busy || !name.trim() || !password) return;
    setBusy(true);
    setError(null);
    signIn(name, password).catch((e: unknown) => {
      setError(asAppError(e));
      setBusy(false);
    });
  };

  return (
    <ScreenFrame title={text.product} logo>
      <View style={styles.column}>
        <Text style={{ fontSize: 20, lineHeight: 28, color: inks.ink, paddingVertical: 12 }}>{text.claim}</Text>
        <Card>
          <TextInput
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
          <TextInput
            mode="outlined"
            label={text.password}
            accessibilityLabel={text.password}
            value={password}
            onChangeText={setPassword}
            secureTextEntry
            autoComplete="current-password"
            onSubmitEditing={submit}
            style={styles.field}
          />
          {error ? (
            <View role="alert">
              <Text style={{ color: inks.warnText, fontSize: 16, lineHeight: 22 }}>
                {error.message} {error.fix}
              </Text>
            </View>
          ) : null}
          <BigButton text={busy ? text.signingIn : text.signIn} onPress={submit} disabled={busy} size="desk" />
        </Card>
        <SwitchList except={null} />
        {waiting.map((w) => (
          <Line key={w.name}>{text.unsentOf(w.name, w.count)}</Line>
        ))}
        {unsent > 0 ? <Text style={{ color: inks.inkSoft, fontSize: 15 }}>{text.unsentKept(unsent)}</Text> : null}
      </View>
    </ScreenFrame>
  );
}

const styles = StyleSheet.create({ column: { width: '100%', maxWidth: 440, alignSelf: 'center', gap: 12 }, field: { fontSize: 18, backgroundColor: 'transparent' } });
