import { View } from 'react-native';
import type { PullNext } from '@stennet/core/run';
import type { HeardWrench } from '@/data';
import { BigButton } from '@/ui';
import { text } from '../text';
import { PanelBody } from './PanelText';

/** Whether a wrench is heard here, and which. */
export function WrenchLine({
  due,
  wrench: { link, listen, goesOn, goOn },
}: {
  due: PullNext;
  wrench: HeardWrench;
}) {
  const set = due.tool.wrench;
  if (link.state === 'off')
    return <BigButton text={text.heard.listen} look="quiet" onPress={() => listen(true)} />;
  const isOther = link.name !== null && set && link.name !== set.name;
  return (
    <View style={{ gap: 8 }}>
      <View role={isOther ? 'alert' : 'status'}>
        <PanelBody strong={Boolean(isOther)}>
          {link.name === null
            ? text.heard.looking
            : isOther
              ? text.heard.otherWrench({ heard: link.name, set: set.name })
              : (link.simulated ? text.heard.listeningSimulated : text.heard.listening)({
                  name: link.name,
                })}
        </PanelBody>
      </View>
      {link.kept ? (
        <View role="status">
          <PanelBody strong>{text.heard.savedBySelf(link.kept)}</PanelBody>
        </View>
      ) : null}
      {goesOn ? <PanelBody>{text.heard.goesOn}</PanelBody> : null}
      <BigButton
        text={goesOn ? text.heard.askEach : text.heard.goOn}
        look="quiet"
        onPress={() => goOn(!goesOn)}
      />
      <BigButton text={text.heard.stopListening} look="quiet" onPress={() => listen(false)} />
    </View>
  );
}
