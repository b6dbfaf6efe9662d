import { View } from 'react-native';
import type { AppError } from '@stennet/core/errors';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

/**
 * A reading that is far past anything the fastener or the wrench is made for: asked back before it
 * counts.
 */
export function TooMuchPanel({ error, acts }: { error: AppError; acts: Acts }) {
  return (
    <View role="alert" style={{ gap: 12 }}>
      <PanelTitle>{error.message}</PanelTitle>
      <PanelBody>{error.fix}</PanelBody>
      <BigButton text={text.tooMuchNo} onPress={acts.forget} />
      <BigButton
        text={text.tooMuchYes({ value: String(error.params.reading) })}
        look="warn"
        onPress={() => void acts.sure?.()}
      />
    </View>
  );
}
