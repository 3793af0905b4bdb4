/** Conditions that the fields of a record may have to meet. */
export { Between, In, IsNull, MoreThan, Not } from 'typeorm';
