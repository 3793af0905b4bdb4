import { randomBytes } from 'node:crypto';
import path from 'node:path';
import { createTeacher } from '@slate-path/server/accounts/accounts';
import { TeacherEntity } from '@slate-path/server/database/entities';
import { openDatabase, type OpenDatabase } from '@slate-path/server/database/open';
import { DatabaseError } from '@slate-path/server/database/problems';
import { InputError } from './input';

/** Opens a data folder for one command. */
export async function withDatabase<T>(
  folder: string,
  work: (database: OpenDatabase) => Promise<T>,
): Promise<T> {
  let database: OpenDatabase;
  try {
    database = await openDatabase(path.resolve(folder));
  } catch (error) {
    if (error instanceof DatabaseError) throw new InputError(error.message);
    throw error;
  }
  try {
    return await work(database);
  } finally {
    await database.close();
  }
}

/** The teacher whose data are meant: the only one, or the one of that name. */
export async function teacherOf(database: OpenDatabase, name: string | undefined): Promise<string> {
  const teachers = await database.read.getRepository(TeacherEntity).find();
  const fitting = name === undefined ? teachers : teachers.filter((teacher) => teacher.name === name);
  const [found, second] = fitting;
  if (found && !second) return found.id;
  const names = teachers.map((teacher) => teacher.name).join(', ');
  if (teachers.length === 0) throw new InputError('There is no teacher in this data folder.');
  throw new InputError(`Say which teacher with --teacher: ${names}.`);
}

/** The same; where there is nobody yet, a teacher is made, with a passphrase that is said once. */
export async function teacherOrNew(
  database: OpenDatabase,
  name: string | undefined,
  zone: string,
): Promise<string> {
  const teachers = await database.read.getRepository(TeacherEntity).find();
  if (teachers.length > 0) return teacherOf(database, name);
  const passphrase = randomBytes(12).toString('base64url');
  const teacher = { name: name ?? 'Teacher', passphrase, school: { name: 'School', zone, graceMinutes: 5 } };
  const id = await createTeacher({ database, clock: Date.now }, teacher);
  console.error(
    `A teacher named ${teacher.name} was made. The passphrase is ${passphrase}; it is said only here.`,
  );
  return id;
}
