import type { ReactNode } from 'react';
import { View } from 'react-native';
import { space } from '../theme/tokens';
import { Card } from './Card';
import { Words } from './Words';

/** An empty place: what will be here, why it is not yet, and the one action that fills it. */
export function Empty({
  title,
  children,
  action,
}: {
  title: string;
  children: ReactNode;
  action?: ReactNode;
}) {
  return (
    <Card style={{ gap: space(2), padding: space(6), maxWidth: 640 }}>
      <Words size="large" serif heading={2}>
        {title}
      </Words>
      <Words tone="inkQuiet">{children}</Words>
      {action ? <View style={{ alignItems: 'flex-start', marginTop: space(2) }}>{action}</View> : null}
    </Card>
  );
}
