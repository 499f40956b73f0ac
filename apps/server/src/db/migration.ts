/** One change to the tables, there and back, as plain SQL. Each statement may be repeated without harm. */
export interface Migration {
  name: string;
  up: string[];
  down: string[];
}
