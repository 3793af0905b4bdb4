import { useState } from 'react';
import { View } from 'react-native';
import type { ColumnRole } from '@slate-path/core/people/roster/columnRoles';
import { columnRoles } from '@slate-path/core/people/roster/columnRoles';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';

const roleWords: Record<ColumnRole, string> = {
  name: 'Whole name',
  given_name: 'Given name',
  family_prefix: 'Before the family name',
  family_name: 'Family name',
  called: 'Called',
  email: 'E-mail',
  grade: 'Grade',
  cohort: 'Cohort',
  id: 'School’s id',
  guardian1_name: 'Guardian',
  guardian1_email: 'Guardian’s e-mail',
  guardian1_phone: 'Guardian’s phone',
  guardian2_name: 'Second guardian',
  guardian2_email: 'Second guardian’s e-mail',
  guardian2_phone: 'Second guardian’s phone',
  ignored: 'Not used',
};

interface RosterColumnsProps {
  columns: { roles: ColumnRole[]; titles: string[] };
  onChange: (roles: ColumnRole[]) => void;
}

/** What each column was taken for; a tap corrects it. */
export function RosterColumns({ columns, onChange }: RosterColumnsProps) {
  const [open, setOpen] = useState<number | null>(null);
  const titleOf = (index: number) => columns.titles[index] || `Column ${index + 1}`;
  const options = columnRoles.map((role) => ({ value: role, label: roleWords[role] }));
  return (
    <Card style={{ gap: space(2) }}>
      <Words bold heading={2}>
        The columns were read as
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        {columns.roles.map((role, index) => (
          <Action
            key={index}
            label={`${titleOf(index)}: ${roleWords[role]}`}
            onPress={() => {
              setOpen(index);
            }}
          />
        ))}
      </View>
      {open === null ? null : (
        <Sheet
          title={titleOf(open)}
          note="What does this column hold?"
          onClose={() => {
            setOpen(null);
          }}
        >
          <Choice
            name="What the column holds"
            value={columns.roles[open] ?? 'ignored'}
            options={options}
            onChange={(role) => {
              const roles = columns.roles.map((old, index) =>
                index === open ? role : old === role ? 'ignored' : old,
              );
              setOpen(null);
              onChange(roles);
            }}
          />
        </Sheet>
      )}
    </Card>
  );
}
