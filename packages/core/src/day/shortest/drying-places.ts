/** Pieces of a group stand wet from one minute to another. */
interface WetSpell {
  group: number;
  pieces: number;
  fromMinutes: number;
  untilMinutes: number;
  /** The spell of the same group that ends where this one begins, and when it would have ended. */
  before: WetSpell | undefined;
  beforeUntilMinutes: number;
}

const SAME_MINUTES = 1e-9;

/**
 * Where wet pieces stand while they dry. All pieces of a group take their places from the start of a step until the last of them is dry: a little
 * more than they need, so that nobody stands there with a wet pot in hand. A group takes its places once, however many of its steps dry at a time.
 */
export class DryingPlaces {
  private readonly spells: WetSpell[] = [];
  /** Spells of the others at the time that is asked about. */
  private readonly near: WetSpell[] = [];

  /** @param places - for so many wet pieces; Infinity for any number */
  constructor(readonly places: number) {}

  clear(): void {
    this.spells.length = 0;
  }

  /** Puts pieces down, no earlier than the group's pieces were put down before. Those that were put down last are taken up by `takeUp`. */
  putDown(group: number, { pieces, fromMinutes, untilMinutes }: { pieces: number; fromMinutes: number; untilMinutes: number }): void {
    const before = this.spells.findLast((spell) => spell.group === group && spell.untilMinutes > fromMinutes);
    this.spells.push({ group, pieces, fromMinutes, untilMinutes, before, beforeUntilMinutes: before?.untilMinutes ?? 0 });
    if (before) before.untilMinutes = fromMinutes;
  }

  takeUp(): void {
    const last = this.spells.pop();
    if (last?.before) last.before.untilMinutes = last.beforeUntilMinutes;
  }

  /**
   * Returns the first minute, no earlier than the one given, from which on there is room for a group's pieces as long as they are wet. A group that
   * is larger than all places waits until they are all free.
   *
   * @param group - by number
   * @param asked - `pieces`; `fromMinutes`, the earliest start; `wetMinutes`, how long they stand
   */
  roomFrom(group: number, { pieces, fromMinutes, wetMinutes }: { pieces: number; fromMinutes: number; wetMinutes: number }): number {
    const free = Math.max(0, this.places - pieces);
    let at = fromMinutes;
    while (this.isFull(group, at, at + wetMinutes, free)) {
      let next = Infinity;
      for (const { untilMinutes } of this.near) next = Math.min(next, untilMinutes);
      at = next;
    }
    return at;
  }

  /** Whether the others stand in more than the free places at any moment between; those who do are left in `near`. */
  private isFull(group: number, fromMinutes: number, untilMinutes: number, free: number): boolean {
    const { near } = this;
    near.length = 0;
    let all = 0;
    for (const spell of this.spells) {
      if (spell.group === group || spell.untilMinutes <= fromMinutes + SAME_MINUTES || spell.fromMinutes >= untilMinutes - SAME_MINUTES) continue;
      near.push(spell);
      all += spell.pieces;
    }
    if (all <= free) return false;
    // It is fullest where somebody puts pieces down.
    if (wetAt(near, fromMinutes) > free) return true;
    return near.some((spell) => spell.fromMinutes > fromMinutes && wetAt(near, spell.fromMinutes) > free);
  }
}

function wetAt(spells: readonly WetSpell[], atMinutes: number): number {
  let wet = 0;
  for (const { pieces, fromMinutes, untilMinutes } of spells)
    if (fromMinutes <= atMinutes + SAME_MINUTES && untilMinutes > atMinutes + SAME_MINUTES) wet += pieces;
  return wet;
}
