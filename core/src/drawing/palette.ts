/** The one source of colours. Every pair of ink on ground keeps 4.5:1. */
export interface Palette {
  ground: string;
  surface: string;
  ink: string;
  inkQuiet: string;
  line: string;
  /** Action and presence. */
  slate: string;
  /** Text on slate. */
  onSlate: string;
  /** Behind what is chosen. */
  slateWash: string;
  lichen: string;
  clay: string;
  ochre: string;
  plum: string;
  /** Only where a person needs the teacher. */
  ember: string;
}

export const paper: Palette = {
  ground: '#F5F3EC',
  surface: '#FFFDF7',
  ink: '#1F2B31',
  inkQuiet: '#55636A',
  line: '#D8D3C4',
  slate: '#2E5266',
  onSlate: '#FFFDF7',
  slateWash: '#DDE5E6',
  lichen: '#4F6B33',
  clay: '#8F4A33',
  ochre: '#8A5F14',
  plum: '#6B4C7A',
  ember: '#B0401C',
};

export const board: Palette = {
  ground: '#182126',
  surface: '#212C32',
  ink: '#ECE8DC',
  inkQuiet: '#A9B4B8',
  line: '#3A474E',
  slate: '#8FB8CC',
  onSlate: '#182126',
  slateWash: '#2E3D46',
  lichen: '#A7C27C',
  clay: '#E0957A',
  ochre: '#E2B458',
  plum: '#C3A2D4',
  ember: '#FF8A5C',
};
