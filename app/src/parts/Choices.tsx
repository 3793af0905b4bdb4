import SlidersHorizontal from 'lucide-react-native/icons/sliders-horizontal';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { space } from '../theme/tokens';
import { Action } from './Action';
import { Sheet } from './Sheet';
import { Words } from './Words';

interface ChoicesProps {
  /** What is chosen, in words. */
  summary: string;
  /** What the button does, for those who listen. */
  name: string;
  /** Of the sheet. */
  title: string;
  children: ReactNode;
}

/** On a phone: what is chosen in one line, and the choices themselves a tap away. */
export function Choices({ summary, name, title, children }: ChoicesProps) {
  const [open, setOpen] = useState(false);
  const close = () => {
    setOpen(false);
  };
  return (
    <>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
        <View style={{ flex: 1 }}>
          <Words lines={2}>{summary}</Words>
        </View>
        <Action
          label="Change"
          name={name}
          icon={SlidersHorizontal}
          onPress={() => {
            setOpen(true);
          }}
        />
      </View>
      {open ? (
        <Sheet title={title} onClose={close}>
          {children}
          <Action label="Show" kind="main" onPress={close} />
        </Sheet>
      ) : null}
    </>
  );
}
