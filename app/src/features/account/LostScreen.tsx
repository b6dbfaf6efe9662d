import { useRouter } from 'expo-router';
import { Notice, ScreenFrame } from '@/ui';
import { text } from './text';

export function LostScreen() {
  const router = useRouter();
  return (
    <ScreenFrame title={text.lostTitle} back="/">
      <Notice
        title={text.lostTitle}
        text={text.lost}
        action={{ text: text.toToday, onPress: () => router.replace('/') }}
      />
    </ScreenFrame>
  );
}
