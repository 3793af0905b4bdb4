/** Names that are used for one another; each line is one family of them. From common usage, not from any list. */
const families = [
  'alexander alexandra aleksander aleksandra alex al sasha sandra sandy alec lex xander',
  'andrew andreas andrea andrei andy drew',
  'anthony antonia antonio tony toni',
  'benjamin benedict ben benny',
  'catherine katherine katharina katarzyna caterina kate katie kathy cathy kat kasia',
  'charles charlotte charlie chuck lottie',
  'christopher christian christina christine chris chrissie tina kit',
  'daniel daniela danielle dan danny dani',
  'david dave davey',
  'dimitri dmitri dima mitya',
  'edward eduardo eduard ed eddie ted ned',
  'elizabeth elisabeth eliza liz lizzie beth betty ella elsie lisa',
  'emily emilia emma em emmy millie',
  'francis frances francisco francesca frank fran frankie paco',
  'frederick frederica fred freddie freddy',
  'gabriel gabriela gabrielle gabe gabi',
  'george georgia georgina georgie',
  'gregory greg',
  'isabella isabel isabelle izzy bella belle',
  'jacob jakob jake kuba',
  'james jim jimmy jamie',
  'jennifer jen jenny',
  'jessica jess jessie',
  'john jonathan johannes jon johnny jack',
  'joseph josephine josef jose joe joey jo josie pepe',
  'joshua josh',
  'margaret margarita maggie meg peggy rita gretchen',
  'matthew matthias matteo matt matty',
  'michael mikhail miguel michaela mike mikey mick misha',
  'natalie natalia nataliya nat nata natasha',
  'nicholas nicola nicole nikolai nikolas nick nicky niko kolya',
  'oliver olivia ollie liv',
  'patrick patricia pat paddy trish',
  'peter pete pedro',
  'philip phillip philippa phil pip',
  'rebecca becca becky',
  'richard ricardo rick ricky dick rich',
  'robert roberta roberto rob robbie bob bobby bert',
  'samuel samantha samira sam sammy',
  'stephen steven stefan stephanie stefanie steve steph',
  'susan susanna suzanne sue susie',
  'theodore theodora theo',
  'thomas tomasz tom tommy tomek',
  'timothy tim timmy',
  'victoria vicky vic tori',
  'vincent vincenzo vince vinny',
  'william wilhelm will bill billy willy liam',
  'zachary zack zach',
];

const familiesOf = new Map<string, Set<number>>();
families.forEach((line, index) => {
  for (const name of line.split(' '))
    familiesOf.set(name, (familiesOf.get(name) ?? new Set<number>()).add(index));
});

/**
 * Can one of two names stand for the other ("Bill" for "William")? Not for the same name.
 * @param a folded @param b folded
 */
export function isNickname(a: string, b: string): boolean {
  if (a === b) return false;
  const other = familiesOf.get(b);
  return [...(familiesOf.get(a) ?? [])].some((family) => other?.has(family) ?? false);
}
