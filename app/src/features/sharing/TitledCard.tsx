import type { ReactNode } from 'react';
import { Card } from '../../parts/Card';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';

/** A part of a page under a heading of its own. */
export function TitledCard({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        {title}
      </Words>
      {children}
    </Card>
  );
}
