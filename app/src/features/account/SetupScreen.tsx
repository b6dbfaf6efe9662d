import { usePathname, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import type { BodyOf } from '@stennet/core/contract/work';
import { units } from '@stennet/core/quantity';
import { makeShop } from '@/data';
import {
  FormChoice,
  FormSecret,
  FormText,
  needed,
  newPassword,
  Said,
  useDoing,
  useFields,
} from '@/forms';
import { BigButton, Line, ScreenFrame, Section } from '@/ui';
import { NEW_SHOP } from './newShop';
import { text } from './text';

type Shop = NonNullable<BodyOf<'makeShop'>>['shop'];
const UNITS = ['N.m', '[ft_i].[lbf_av]', 'kgf.m'] as const satisfies Shop['torqueUnit'][];
const PAPERS = ['A4', 'Letter'] as const satisfies Shop['paper'][];

const NewShop = v.object({
  code: needed(() => text.setupCode, 40),
  shop: needed(() => text.setupShop, 80),
  name: needed(() => text.setupPerson, 80),
  password: newPassword(),
  paper: v.picklist(PAPERS),
  torqueUnit: v.picklist(UNITS),
});
const BLANK: v.InferInput<typeof NewShop> = {
  code: '',
  shop: '',
  name: '',
  password: '',
  paper: 'A4',
  torqueUnit: 'N.m',
};

/** The first visit of an installation, and each shop after it: the shop and its lead. */
export function SetupScreen() {
  const isMore = usePathname() === NEW_SHOP;
  const router = useRouter();
  const { control, handleSubmit } = useFields(BLANK, NewShop);
  const { error, isBusy, doing } = useDoing();
  const make = handleSubmit(({ code, shop, name, password, paper, torqueUnit }) => {
    const style = {
      locale: navigator.language.match(/^[a-z]{2,3}(-[A-Z]{2})?$/)?.[0] ?? 'en-GB',
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    };
    const body = { code, shop: { name: shop, ...style, paper, torqueUnit }, name, password };
    doing(() => makeShop(body), '', isMore ? () => router.replace('/') : undefined);
  });
  return (
    <ScreenFrame title={text.product} logo>
      <View style={styles.column}>
        <Section title={isMore ? text.newShopTitle : text.setupTitle}>
          <Line>{isMore ? text.newShopText : text.setupText}</Line>
          <Said error={error} done="" />
          <FormText control={control} name="code" label={text.setupCode} />
          <FormText control={control} name="shop" label={text.setupShop} />
          <FormText control={control} name="name" label={text.setupPerson} />
          <FormSecret control={control} name="password" label={text.setupPassword} />
          <FormChoice
            control={control}
            name="paper"
            label={text.setupPaper}
            options={PAPERS.map((value) => ({ value, text: text.setupPapers[value] }))}
          />
          <FormChoice
            control={control}
            name="torqueUnit"
            label={text.setupUnit}
            options={UNITS.map((value) => ({ value, text: units[value].symbol }))}
          />
          <BigButton
            text={text.setupGo}
            size="desk"
            disabled={isBusy}
            onPress={() => void make()}
          />
        </Section>
      </View>
    </ScreenFrame>
  );
}

const styles = StyleSheet.create({ column: { width: '100%', maxWidth: 520, alignSelf: 'center' } });
