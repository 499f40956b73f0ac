/** What is wrong in a file and where: the row of a table, or the number of the entry in a JSON file. */
export interface FileProblem {
  row: number;
  message: string;
}
