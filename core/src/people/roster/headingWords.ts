/**
 * Words that head the columns of rosters, in the languages of Europe's schools; folded (see `foldName`), several
 * words of one phrase joined by `_`. From dictionaries; a heading that is missing here is decided by its cells.
 */
const lists = {
  given: `
    given given_name givenname forename forenames first_name firstname christian_name
    prenom prenoms nombre_de_pila vorname vornamen nome_proprio primeiro_nome nome_di_battesimo
    voornaam voornamen imie imiona krestni_jmeno jmeno meno keresztnev utonev prenume ime izena
    имя ім_я імя όνομα ονομα ten ho_ten_dem fornamn tilltalsnamn fornavn etunimi etunimet fornafn eiginnafn`,
  family: `
    family family_name familyname surname surnames last_name lastname second_name
    nom_de_famille patronyme apellido apellidos primer_apellido apellido_paterno apellido_materno familienname nachname zuname
    cognome cognomi sobrenome apelido apelidos nome_de_familia ultimo_nome achternaam familienaam
    nazwisko nazwiska soyad soyadi soyisim soyismi efternamn etternavn efternavn slektsnavn
    sukunimi eftirnafn kenninafn prijmeni priezvisko vezeteknev csaladnev nume_de_familie prezime priimek
    cognoms abizena abizenak cyfenw фамилия прізвище επωνυμο ho`,
  /** A second word of the family name in a column of its own. */
  prefix: 'tussenvoegsel tussenvoegsels voorvoegsel voorvoegsels namenszusatz vorsatzwort name_prefix',
  /** The whole name. */
  full: `
    full_name fullname complete_name display_name student_name pupil_name learner_name
    name_of_student name_of_pupil nom_complet nombre_completo nome_completo vollstandiger_name
    volledige_naam ad_soyad adi_soyadi isim_soyisim fullstandigt_namn fullt_navn fulde_navn
    koko_nimi fullt_nafn teljes_nev cele_jmeno jmeno_a_prijmeni ime_i_prezime ho_va_ten фио nom_de_l_eleve nombre_del_alumno nome_do_aluno nome_dell_alunno`,
  /** A name: whole, or the half that the other columns leave. */
  name: `
    name names nom noms nombre nombres nome nomi nomes naam namen namn navn nimi nafn ad adi isim ismi nev nume enw имена`,
  student: `
    student students pupil pupils learner learners child children participant participants
    eleve eleves etudiant etudiants alumno alumnos alumna alumnas estudiante estudiantes schuler
    schulerin schulerinnen kind kinder alunno alunni alunna studente studenti aluno alunos aluna
    estudante estudantes leerling leerlingen kinderen uczen uczniowie uczennica ucznia oppilaan elevens nemanda ogrenci ogrenciler
    elev elever elevar oppilas oppilaat opiskelija nemandi nemendur barn zak zaci ziak ziaci tanulo tanulok elevul ucenik ucenici ученик учень μαθητης`,
  called: `
    called preferred preferred_name preferred_first_name nickname nick_name known_as goes_by
    surnom prenom_usuel apodo rufname spitzname soprannome alcunha roepnaam zdrobnienie pseudonim
    lakap takma_ad smeknamn kallenavn kaldenavn kutsumanimi galunafn`,
  email: `
    email emails email_address mail mailadresse mail_address courriel courriels mel adresse_electronique
    correo correos correo_electronico posta_elettronica indirizzo_email e_posta eposta eposta_adresi
    epost epostadress epostadresse epostadresser sahkoposti sahkopostiosoite netfang tolvupostur
    adres_email poczta endereco_eletronico endereco_de_email emailadres emailadresse emailadressen`,
  grade: `
    grade grades year year_level year_group yr form level niveau annee curso grado ano
    nivel klasse klassenstufe jahrgang jahrgangsstufe stufe schuljahr classe classi anno serie klas leerjaar
    klasa sinif trida trieda osztaly clasa razred класс клас ταξη klass arskurs trinn klassetrin argang luokka luokkataso vuosiluokka bekkur argangur`,
  cohort: `
    cohort group groups set section house half period team stream groupe groupes grupo grupos turma
    turmas gruppe gruppen gruppo gruppi sezione groep groepen grupa grupy grup sube grupp grupper
    skupina csoport grupa_clasei група группа ryhma hopur seccion equipo turno`,
  id: `
    id ids student_id pupil_id number student_number identifier code numero matricule identifiant
    numero_d_eleve matricula codigo nummer schulernummer schuler_id matrikelnummer matricola codice
    numero_de_aluno leerlingnummer stamnummer numer numer_ucznia legitymacja numara numarasi ogrenci_no okul_no
    elevnummer elevid opiskelijanumero oppilasnumero kennitala personnummer sis_id`,
  /** The number of the line, no number of a person. */
  ordinal:
    'no nr n lp sl sno s_no sr sr_no row rang ordre orden ordem lfd lfd_nr volgnr sira sira_no jnro nro',
  guardian: `
    guardian guardians parent parents mother father mum mom dad contact carer carers home
    tuteur tuteurs tutrice responsable responsables pere mere tutor tutores tutora padre padres madre
    erziehungsberechtigte erziehungsberechtigter erziehungsberechtigten sorgeberechtigte sorgeberechtigter
    eltern elternteil mutter vater genitore genitori padre_madre encarregado encarregados responsavel
    responsaveis pai mae ouder ouders verzorger verzorgers moeder vader rodzic rodzice opiekun opiekunowie
    rodzica rodzicow opiekuna opiekunow matki ojca rodic rodice zakonny_zastupce otec szulo szulok anya apa
    parinte parinti mama tata roditelj roditelji starsi мать отец мати батько родители батьки
    matka ojciec veli velisi anne baba foralder foraldrar vardnadshavare mamma pappa foresatt foresatte
    forelder foreldre foraeldre foraelder vaerge mor far huoltaja huoltajat huoltajan vanhemman aidin isan vanhempi vanhemmat aiti isa
    foreldri foreldrar forradamadur modir fadir`,
  second:
    '2 two second other ii 2nd deux deuxieme second dos segundo segunda zwei zweiter zweite due secondo dois twee tweede dwa drugi iki ikinci tva andra to anden annen kaksi toinen tveir annar',
  /** Of two guardians named by what they are, the other one. */
  father: 'father dad pere padre vater pai vader ojciec baba far pappa isa fadir papa',
  login:
    'login username user userid account konto benutzername identifiant usuario utilizador gebruikersnaam kullanici brukernavn anvandarnamn brugernavn kayttajatunnus',
  phone: `
    phone phones mobile tel telephone cell telephone portable telefono telefonos movil celular telefon
    telefonnummer handy mobil mobilnummer cellulare telefone telemovel telefoon telefoonnummer gsm
    komorka cep puhelin puhelinnumero matkapuhelin simi simanumer farsimi`,
  /** Grown-ups of the school: neither they nor their addresses are a student's. */
  staff: `
    teacher teachers homeroom advisor enseignant profesor lehrer lehrerin klassenlehrer insegnante professor docent nauczyciel ogretmen larare laerer opettaja kennari
    tutor_group_teacher klassenleitung mentor coach opettajan lararen laererens`,
  ignored: `
    relation relationship verwantschap parente parentesco verwandtschaft
    birth dob birthday birthdate date_of_birth naissance date_de_naissance nacimiento fecha_de_nacimiento geburtsdatum
    geboren nascita data_di_nascita nascimento data_de_nascimento geboortedatum urodzenia data_urodzenia
    dogum dogum_tarihi fodelsedatum fodselsdato fodselsdag syntymaaika faedingardagur
    gender sex sexe genre sexo genero geschlecht sesso geslacht plec cinsiyet kon kjonn sukupuoli kyn
    fee paid pronouns middle middle_name address street city postcode zip adresse direccion indirizzo
    endereco adres adress osoite heimilisfang domicile wohnort strasse straat anschrift
    comment comments remark remarks note notes bemerkung bemerkungen remarque observaciones osservazioni opmerking uwagi`,
} as const;

export type HeadingConcept = keyof typeof lists;

export const headingWords = Object.fromEntries(
  Object.entries(lists).map(([concept, words]) => [concept, new Set(words.split(/\s+/).filter(Boolean))]),
) as unknown as Record<HeadingConcept, ReadonlySet<string>>;
