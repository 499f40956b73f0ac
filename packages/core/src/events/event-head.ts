/** Every bench event: made by the client with its own id, appended once, never changed. */
export interface EventHead {
  id: string;
  /** When it happened, UTC, ISO 8601. */
  at: string;
  /** Who did it, as the studio names them. */
  by: string;
}
