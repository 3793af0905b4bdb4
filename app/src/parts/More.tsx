import Ellipsis from 'lucide-react-native/icons/ellipsis';
import { useState } from 'react';
import { Groups, type Group } from './Groups';
import { IconAction } from './IconAction';
import { Sheet } from './Sheet';

interface MoreProps {
  /** Of the button, for those who listen. */
  name: string;
  title: string;
  groups: readonly Group[];
}

/** What is done rarely, behind the dots. */
export default function More({ name, title, groups }: MoreProps) {
  const [open, setOpen] = useState(false);
  const close = () => {
    setOpen(false);
  };
  const closing = groups.map((group) => ({
    ...group,
    items: group.items.map(
      (item) =>
        item && {
          ...item,
          onPress: () => {
            close();
            item.onPress();
          },
        },
    ),
  }));
  return (
    <>
      <IconAction
        name={name}
        icon={Ellipsis}
        onPress={() => {
          setOpen(true);
        }}
      />
      {open ? (
        <Sheet title={title} onClose={close}>
          <Groups groups={closing} />
        </Sheet>
      ) : null}
    </>
  );
}
