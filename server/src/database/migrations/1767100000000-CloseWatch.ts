import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const scope = `"scopeId" text NOT NULL DEFAULT ('')`;

const plans = [
  ...[scope, `"sectionId" text NOT NULL`, `"name" text NOT NULL`, `"definition" text NOT NULL`, `"tone" text NOT NULL`],
  ...[`"studentIds" text NOT NULL`, `"method" text NOT NULL`, `"intervalSeconds" integer`],
  ...[`"recordSeconds" integer NOT NULL`, `"lengthSeconds" integer NOT NULL`],
  ...[`"signal" text NOT NULL`, `"befores" text NOT NULL`, `"afters" text NOT NULL`],
  points('FK_e7eccddd9f2dfdce493fa36dec1', 'teacherId', 'teacher'),
  points('FK_4225ca8744b495691394aba2a0b', 'sectionId', 'section'),
];

const phases = [
  ...[scope, `"planId" text NOT NULL`, `"studentId" text`, `"startsOn" text NOT NULL`, `"name" text NOT NULL`],
  points('FK_41c43f77dc069d1ded93ea4753b', 'teacherId', 'teacher'),
  points('FK_765fe1f3259985af528b0a00df9', 'planId', 'observationPlan'),
  points('FK_97e01b5e80f3554ac166eb3ac02', 'studentId', 'student'),
];

const sessions = [
  ...[scope, `"planId" text NOT NULL`, `"lessonId" text NOT NULL`],
  ...[`"studentIds" text NOT NULL`, `"method" text NOT NULL`, `"intervalSeconds" integer`],
  ...[`"recordSeconds" integer NOT NULL`, `"lengthSeconds" integer NOT NULL`],
  ...[`"startedAt" text NOT NULL`, `"endedAt" text`, `"pauses" text NOT NULL`, `"lost" text NOT NULL`],
  ...[`"observer" text NOT NULL`, `"besideId" text`],
  points('FK_ed85c10480524a60f1557f145f0', 'teacherId', 'teacher'),
  points('FK_5464571b78be5b11e475b4041ae', 'planId', 'observationPlan'),
  points('FK_f0b2b36a702293d603e7f0505c5', 'lessonId', 'lesson'),
];

const events = [
  ...[scope, `"observationId" text NOT NULL`, `"studentId" text NOT NULL`, `"at" text NOT NULL`, `"until" text`],
  ...[`"interval" integer`, `"seen" boolean`, `"byHand" boolean NOT NULL DEFAULT (0)`],
  ...[`"before" text NOT NULL`, `"after" text NOT NULL`],
  points('FK_c0ff85f7409a4cc4f1111acb546', 'teacherId', 'teacher'),
  points('FK_758bfae374fb35e3797edf90628', 'observationId', 'observation'),
  points('FK_f6b59213fd992c3010274f29079', 'studentId', 'student'),
];

const comments = [
  ...[scope, `"planId" text NOT NULL`, `"studentId" text NOT NULL`, `"text" text NOT NULL`],
  points('FK_5f58a706a0476c7f07262466983', 'teacherId', 'teacher'),
  points('FK_cf6b74687fa7930885d15853c4a', 'planId', 'observationPlan'),
  points('FK_2c9b99a07ba312d0d1e23697b83', 'studentId', 'student'),
];

const tables = {
  observationPlan: { columns: plans, by: ['scopeId', 'sectionId'] },
  observationPhase: { columns: phases, by: ['scopeId', 'planId'] },
  observation: { columns: sessions, by: ['scopeId', 'lessonId', 'planId'] },
  observationEvent: { columns: events, by: ['scopeId', 'observationId', 'studentId'] },
  observationComment: { columns: comments, by: ['scopeId', 'planId', 'studentId'] },
};

/** The close watch of single students: what is watched, its phases, sessions and what was seen in them. */
export class CloseWatch1767100000000 implements MigrationInterface {
  readonly name = 'CloseWatch1767100000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const [table, { columns, by }] of Object.entries(tables)) {
      await runner.query(`CREATE TABLE "${table}" (${record}, ${columns.join(', ')})`);
      for (const field of by)
        await runner.query(`CREATE INDEX "${table}_by_${field}" ON "${table}" ("${field}")`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of Object.keys(tables).reverse()) await runner.query(`DROP TABLE "${table}"`);
  }
}
