import { View } from 'react-native';
import { useKeys } from '@/platform/keys';
import { BigButton } from '@/ui';
import { text } from '../text';
import { PanelTitle } from './PanelText';

type Way = 'several' | 'one' | 'besides' | 'around' | 'setup';

/** What is wanted now and then, out of the way of the pull itself; each a full target. */
export function MorePanel({
  several,
  besides,
  onGo,
  onClose,
}: {
  several: boolean;
  besides: boolean;
  onGo: (way: Way) => void;
  onClose: () => void;
}) {
  useKeys({ Escape: onClose });
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.more}</PanelTitle>
      {several ? (
        <BigButton text={text.several} look="quiet" onPress={() => onGo('several')} />
      ) : null}
      <BigButton text={text.which} look="quiet" onPress={() => onGo('one')} />
      {besides ? (
        <BigButton text={text.besidesAll} look="quiet" onPress={() => onGo('besides')} />
      ) : null}
      <BigButton text={text.around} look="quiet" onPress={() => onGo('around')} />
      <BigButton text={text.setup} look="quiet" onPress={() => onGo('setup')} />
      <BigButton text={text.close} look="plain" onPress={onClose} />
    </View>
  );
}
