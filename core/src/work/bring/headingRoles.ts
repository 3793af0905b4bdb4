import { headingTokens, readHeading } from '../../people/roster/headings';

/** What a column of a file about work or activity holds. */
export const workRoles = [
  'name',
  'given_name',
  'family_name',
  'email',
  'id',
  'when',
  'date',
  'time',
  'kind',
  'place',
  'object',
  'seconds',
  'minutes',
  'title',
  'assigned',
  'due',
  'points',
  'score',
  'status',
  'handed_in',
  'handed_back',
  'total',
] as const;
export type WorkRole = (typeof workRoles)[number];

/**
 * Words that head columns, in the languages of Europe's schools; folded, phrases joined by `_`. The first role of which
 * a heading has all of a word or phrase counts: longer phrases stand before what they contain.
 */
const lists: readonly (readonly [WorkRole, string])[] = [
  [
    'name',
    `user who actor member person author teilnehmer teilnehmerin nutzer benutzer utilisateur usuario utente utilizador
    gebruiker deelnemer participante`,
  ],
  [
    'total',
    `average avg mean total overall final_grade final_score course_total current_score current_grade gesamt durchschnitt
    mittelwert gesamtnote moyenne promedio media_final media total_general gemiddelde totaal eindcijfer totale moyenne_generale`,
  ],
  [
    'handed_back',
    `handed_back returned returned_at returned_on graded_at graded_on marked_at feedback_at zuruckgegeben zuruckgegeben_am
    korrigiert_am corrige_le rendu_aux_eleves devuelto devuelto_el corregido_el restituito restituito_il corretto_il devolvido
    devolvido_em teruggegeven nagekeken_op`,
  ],
  [
    'handed_in',
    `handed_in handed_in_at submitted submitted_at submitted_on turned_in turned_in_at submission_date submission_time
    abgegeben abgegeben_am eingereicht eingereicht_am abgabe rendu rendu_le remis_le entregado entregado_el fecha_de_envio
    consegnato consegnato_il entregue entregue_em data_de_entrega ingeleverd ingeleverd_op`,
  ],
  [
    'due',
    `due due_date due_at due_on deadline fallig fallig_am abgabetermin abgabe_bis frist a_rendre a_rendre_le date_limite echeance
    vence vencimiento fecha_de_entrega fecha_limite scadenza data_di_consegna prazo data_limite inleverdatum inleveren_voor`,
  ],
  [
    'assigned',
    `assigned assigned_at assigned_on set_on given_out available_from gestellt_am ausgegeben ausgegeben_am aufgegeben
    donne_le distribue_le asignado asignado_el assegnato assegnato_il atribuido atribuido_em opgegeven opgegeven_op`,
  ],
  [
    'points',
    `points_possible possible_points max_points maximum_points max_score out_of maximum hochstpunktzahl maximalpunkte
    erreichbare_punkte mogliche_punkte punkte_max bareme note_maximale points_max puntos_posibles puntuacion_maxima
    punteggio_massimo punti_massimi pontos_possiveis pontuacao_maxima maximale_punten max_punten`,
  ],
  [
    'title',
    `assignment assignment_name assignment_title task task_name piece_of_work work title homework exercise aufgabe
    aufgabenname titel arbeit hausaufgabe ubung devoir titre travail exercice tarea titulo trabajo deberes ejercicio
    compito titolo lavoro esercizio tarefa trabalho exercicio opdracht opdrachtnaam taak huiswerk`,
  ],
  [
    'score',
    `score points points_earned mark result punkte punktzahl erreichte_punkte note ergebnis bewertung resultat resultats
    nota puntuacion puntos calificacion resultado punteggio punti voto risultato pontos pontuacao cijfer punten resultaat`,
  ],
  ['status', 'status state zustand abgabestatus statut etat estado stato situacao staat'],
  ['minutes', 'minutes mins time_spent_minutes minuten minutos minuti'],
  [
    'seconds',
    `seconds secs duration time_spent length dauer sekunden duree secondes duracion segundos durata secondi duracao duur seconden`,
  ],
  [
    'when',
    `when timestamp date_time datetime date_and_time zeitpunkt zeitstempel datum_uhrzeit date_et_heure horodatage fecha_y_hora
    marca_de_tiempo data_e_ora data_e_hora datum_en_tijd tijdstip occurred_at logged_at`,
  ],
  ['date', 'date day datum tag jour fecha dia data giorno dag'],
  ['time', 'time uhrzeit zeit heure hora ora tijd'],
  [
    'kind',
    `kind action activity activity_type event event_name event_type verb type art aktion aktivitat ereignis typ evenement
    type_d_activite accion actividad evento tipo azione attivita acao atividade actie activiteit gebeurtenis soort`,
  ],
  [
    'object',
    `object item resource page pagina document file content material target gegenstand datei seite inhalt objet ressource fichier
    contenu objeto recurso archivo oggetto risorsa contenuto ficheiro conteudo bestand inhoud onderwerp`,
  ],
  [
    'place',
    `place where course course_name component channel tool module area context platform team ort kurs kursname kanal bereich
    lieu cours canal module lugar curso luogo corso canale local disciplina plaats cursus kanaal vak`,
  ],
];

const words = lists.map(([role, list]) => [role, list.split(/\s+/).filter(Boolean)] as const);

const whoRoles: ReadonlySet<string> = new Set(['name', 'given_name', 'family_name', 'email', 'id']);

/** What a heading says; null when it says nothing we know, as the title of a piece of work in a grade book. */
export function workRoleOf(heading: string): WorkRole | null {
  const joined = headingTokens(heading).join('_');
  if (joined === '') return null;
  for (const [role, list] of words) if (list.includes(joined)) return role;
  const who = readHeading(heading)?.role;
  if (who !== undefined && whoRoles.has(who)) return who as WorkRole;
  // "Due date (local)", "Submitted by the student": a phrase of ours within it.
  const padded = `_${joined}_`;
  for (const [role, list] of words)
    if (list.some((phrase) => phrase.includes('_') && padded.includes(`_${phrase}_`))) return role;
  return null;
}
