/** Invented people; some are awkward on purpose. */
export interface Person {
  givenName: string;
  familyName: string;
  called: string;
}

const person = (givenName: string, familyName: string, called = ''): Person => ({
  givenName,
  familyName,
  called,
});

/** Those whom something is told of, by class. */
export const namedPeople: Record<string, Person[]> = {
  // A shared given name, a single one, letters outside ASCII, another name to be called by.
  'Boat Workshop': [
    person('Adaeze', 'Okoro'),
    person('Bram', 'de Wit'),
    person('Caoimhe', 'Ní Bhriain'),
    person('Dario', 'Quispe'),
    person('Emre', 'Aydın'),
    person('Imani', 'Castellano'),
    person('Jun', ''),
    person('Mei', 'Tanaka'),
    person('Mei', 'Thorsen'),
    person('Odalys', 'Brandt'),
    person('Aleksandra', 'Wolny', 'Sasha'),
    person('Pell', 'Arbuckle'),
    person('Rafferty', 'Dunmore'),
    person('Saoirse', "O'Hara-Lindqvist"),
    person('Tomasz', 'Afolabi'),
    person('Yusra', 'Haddadin'),
  ],
  'Shore Ecology': [person('Nils', 'Halvorsen')],
  'Log-keeping': [person('Ottilie', 'Seabrook'), person('Kasimir', 'Lindholm')],
};

export const givenNames = (
  'Abeni Aino Amaru Anouk Arjun Astrid Ayla Beatriz Bilal Chidi Clio Dagny Davit Dilan Eero Elif Enzo Esme Farid Fenna Finlay ' +
  'Gaia Goran Hana Hamza Ilse Ines Isak Ivo Jabari Jolien Kaia Kaveh Kenji Lamin Leilani Lior Luca Maeve Malik Marisol Mateo ' +
  'Milou Nadia Nils Noor Oisín Olena Pablo Petra Quinn Ravi Rosalind Ruben Safiya Sander Selam Signe Sunniva Talia Tariq Tove ' +
  'Ulla Veda Viggo Wren Xochitl Yara Yusuf Zofia Zubair'
).split(' ');

export const familyNames = (
  'Abara Almqvist Amadi Barros Bekele Bianchi Brodie Calloway Castell Chaudhry Corrigan Demir Drummond Eklund Fairweather Faro ' +
  'Gallagher Ghebre Halvorsen Hartwell Ibarra Ionescu Jansma Kallio Kapoor Keane Kovalenko Lacroix Larkin Lindholm Lovelace ' +
  'Macready Marchetti Mbeki Mirza Moreau Nakata Nasser Novak Oduya Olsen Ortega Pacheco Penhale Petrov Quigley Rahimi Rasmussen ' +
  'Sarr Seabrook Sharma Silva Solberg Strand Tamm Tesfaye Thibault Treloar Ueda Vance Varga Vega Wainwright Yilmaz Zielinski'
).split(' ');
