/** The columns that every kind of record begins with. */
export const record = `"id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL`;

/** A column that points at another table. */
export const points = (key: string, field: string, table: string) =>
  `CONSTRAINT "${key}" FOREIGN KEY ("${field}") REFERENCES "${table}" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION`;
