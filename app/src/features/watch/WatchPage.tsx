import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import type { GroupItem } from '../../parts/Groups';
import { Page } from '../../parts/Page';
import { useSections } from '../../sync/sections';
import { useDue } from '../notes/useDue';
import { useStepsAgain } from './useStepsAgain';

/** The pages of Watch. */
export type WatchTab = 'Who needs me' | 'Look again' | 'Contact' | 'Notes' | 'Topics';

const addresses = {
  'Who needs me': '/watch',
  'Look again': '/again',
  Contact: '/contact',
  Notes: '/notes',
  Topics: '/topics',
} as const satisfies Record<WatchTab, string>;

interface WatchPageProps {
  page: WatchTab;
  note?: string;
  tools?: ReactNode;
  main?: GroupItem;
  acts?: readonly GroupItem[];
  /** The class that is looked at, where it is one. */
  sectionId?: string;
  children: ReactNode;
}

/** What every page of Watch has: its pages in a row, and what is watched behind the dots. */
export default function WatchPage({
  page,
  note,
  tools,
  main,
  acts,
  sectionId = '',
  children,
}: WatchPageProps) {
  const router = useRouter();
  const due = useDue().length + useStepsAgain().due.length;
  const section = useSections()[0]?.id;
  return (
    <Page
      title={page}
      note={note}
      tools={tools}
      main={main}
      acts={acts}
      more={[
        {
          title: 'What stands here',
          items: [
            {
              label: 'What is watched',
              note: 'Which changes, and from which lines on, class by class',
              onPress: () => {
                router.push({
                  pathname: '/watch/settings',
                  params: { section: sectionId || (section ?? '') },
                });
              },
            },
          ],
        },
      ]}
      tabs={{
        name: 'Pages of Watch',
        items: (Object.keys(addresses) as WatchTab[]).map((label) => ({
          label: label === 'Look again' && due > 0 ? `Look again: ${due} today` : label,
          chosen: label === page,
          onTap: () => {
            router.push(addresses[label]);
          },
        })),
      }}
    >
      {children}
    </Page>
  );
}
