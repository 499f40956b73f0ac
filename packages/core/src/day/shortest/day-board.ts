import { LIGHTER, type DayTask, type DayTasks } from './day-question';
import { DryingPlaces } from './drying-places';
import { workWithin, type PlacedWork } from './work-windows';

/** A task with who does it and when, minutes from the start of the day. */
export interface PlannedTask {
  group: number;
  step: number;
  person: number;
  /** Fetching its bucket takes from here to its start. */
  fetchFromMinutes: number;
  startMinutes: number;
  endMinutes: number;
  /** When the last of its pieces is dry. */
  dryMinutes: number;
}

/** Hours and drying places are brought together in so many tries. */
const MOST_TRIED = 200;

/** How far a day is planned: what each group, person and bucket is free for, minutes. */
export class DayBoard {
  /** Of each group: its next task, and when that may start. */
  readonly next: Int32Array;
  readonly readyMinutes: Float64Array;
  /** When the task before it began. */
  private readonly startedMinutes: Float64Array;
  /** Of each person: when free, and the bucket they had last. */
  readonly freeMinutes: Float64Array;
  readonly lastBucket: Int32Array;
  /** Of each bucket: when free, and who had it last. */
  readonly bucketFreeMinutes: Float64Array;
  readonly holder: Int32Array;
  /** Whether it was used on this plan. */
  private readonly isUsed: Uint8Array;
  private readonly drying: DryingPlaces;
  finishMinutes = 0;
  /** Minutes over the deadline and masks left on too long, of all groups together. */
  lateMinutes = 0;
  changes = 0;
  /** Waiting of hands between their tasks. */
  idleMinutes = 0;
  /** Ends of all tasks, added up: of equal days the one is better that puts nothing off. */
  endsMinutes = 0;
  /** When the task that was put on last begins to take a person and a bucket. */
  beganMinutes = 0;

  constructor(readonly tasks: DayTasks) {
    this.next = new Int32Array(tasks.groups.length);
    this.readyMinutes = new Float64Array(tasks.groups.length);
    this.startedMinutes = new Float64Array(tasks.groups.length);
    this.freeMinutes = new Float64Array(tasks.people);
    this.lastBucket = new Int32Array(tasks.people);
    this.bucketFreeMinutes = new Float64Array(tasks.buckets);
    this.holder = new Int32Array(tasks.buckets);
    this.isUsed = new Uint8Array(tasks.buckets);
    this.drying = new DryingPlaces(tasks.dryingPlaces);
    this.reset();
  }

  reset(): void {
    const { tasks } = this;
    this.next.fill(0);
    this.readyMinutes.set(tasks.readyMinutes);
    this.startedMinutes.set(tasks.startedMinutes);
    this.freeMinutes.set(tasks.freeMinutes);
    this.lastBucket.set(tasks.inHand);
    this.bucketFreeMinutes.fill(0);
    this.holder.fill(-1);
    this.isUsed.fill(0);
    this.drying.clear();
    for (let group = 0; this.isCrowded && group < tasks.groups.length; group++)
      if (tasks.wetUntilMinutes[group]! > 0)
        this.drying.putDown(group, { pieces: tasks.groups[group]![0]?.pieces ?? 0, fromMinutes: 0, untilMinutes: tasks.wetUntilMinutes[group]! });
    for (let person = 0; person < tasks.people; person++) {
      const bucket = tasks.inHand[person]!;
      if (bucket < 0) continue;
      this.holder[bucket] = person;
      this.bucketFreeMinutes[bucket] = tasks.freeMinutes[person]!;
    }
    this.finishMinutes = 0;
    this.lateMinutes = 0;
    this.changes = 0;
    this.idleMinutes = 0;
    this.endsMinutes = 0;
    this.beganMinutes = 0;
  }

  /** Whether places to dry are limited: most days do not ask. */
  private get isCrowded(): boolean {
    return this.tasks.dryingPlaces < Infinity;
  }

  nextOf(group: number): DayTask | undefined {
    return this.tasks.groups[group]![this.next[group]!];
  }

  mayDo = ({ peopleBits }: DayTask, person: number): boolean => peopleBits === -1 || (peopleBits & (1 << person)) !== 0;

  /** Minutes of fetching before this person can begin: none where the bucket is still in their hands. */
  fetchOf({ bucket }: DayTask, person: number): number {
    if (bucket < 0) return 0;
    const last = this.lastBucket[person]!;
    if (last === bucket && this.holder[bucket] === person) return 0;
    const { tasks } = this;
    const first = this.isUsed[bucket] === 0 ? tasks.firstMinutes[bucket]! : 0;
    const isLighter = last >= 0 && last !== bucket && tasks.lightness[bucket]! - tasks.lightness[last]! > LIGHTER;
    return tasks.fetchMinutes + first + (isLighter ? tasks.washMinutes : 0);
  }

  /** What the first fetching of a bucket on this plan takes more than another one, minutes. */
  leastFirst(bucket: number): number {
    return this.isUsed[bucket] === 0 ? this.tasks.firstMinutes[bucket]! : 0;
  }

  /** The earliest start of a group's next task by this person, after all that is on the board. */
  startOf(task: DayTask, person: number): number {
    const fetch = this.fetchOf(task, person);
    const from = this.fromOf(task, person, fetch);
    return this.tasks.isAlwaysOpen && !this.isCrowded ? from : this.within(task, person, from, fetch).startMinutes;
  }

  /** Puts a group's next task on the board. Returns what takes it off again. */
  put(task: DayTask, person: number): () => void {
    const { group, bucket } = task;
    const before = {
      ready: this.readyMinutes[group]!,
      started: this.startedMinutes[group]!,
      free: this.freeMinutes[person]!,
      last: this.lastBucket[person]!,
      bucketFree: bucket < 0 ? 0 : this.bucketFreeMinutes[bucket]!,
      holder: bucket < 0 ? -1 : this.holder[bucket]!,
      used: bucket < 0 ? 0 : this.isUsed[bucket]!,
      finish: this.finishMinutes,
      late: this.lateMinutes,
      changes: this.changes,
      idle: this.idleMinutes,
      ends: this.endsMinutes,
      began: this.beganMinutes,
    };
    this.putOn(task, person);
    return () => {
      if (this.isCrowded && this.isWet(task)) this.drying.takeUp();
      this.next[group]! -= 1;
      this.readyMinutes[group] = before.ready;
      this.startedMinutes[group] = before.started;
      this.freeMinutes[person] = before.free;
      this.lastBucket[person] = before.last;
      if (bucket >= 0) {
        this.bucketFreeMinutes[bucket] = before.bucketFree;
        this.holder[bucket] = before.holder;
        this.isUsed[bucket] = before.used;
      }
      this.finishMinutes = before.finish;
      this.lateMinutes = before.late;
      this.changes = before.changes;
      this.idleMinutes = before.idle;
      this.endsMinutes = before.ends;
      this.beganMinutes = before.began;
    };
  }

  /** The same where nothing is taken off again. */
  putOn(task: DayTask, person: number): void {
    const { group, bucket, workMinutes, lagMinutes } = task;
    const fetch = this.fetchOf(task, person);
    const { startMinutes, endMinutes } = this.within(task, person, this.fromOf(task, person, fetch), fetch);
    // Broken off by a break, it is done so much later.
    const breakMinutes = Math.max(0, endMinutes - startMinutes - workMinutes);
    if (this.isCrowded && this.isWet(task))
      this.drying.putDown(group, { pieces: task.pieces, fromMinutes: startMinutes, untilMinutes: startMinutes + breakMinutes + task.dryMinutes });
    this.idleMinutes += Math.max(0, startMinutes - fetch - this.freeMinutes[person]!);
    if (fetch > 0) this.changes += 1;
    this.beganMinutes = startMinutes - fetch;
    if (task.mostLagMinutes < Infinity && this.startedMinutes[group]! > -Infinity)
      this.lateMinutes += Math.max(0, startMinutes - this.startedMinutes[group]! - task.mostLagMinutes);
    this.next[group]! += 1;
    this.startedMinutes[group] = startMinutes;
    this.readyMinutes[group] = startMinutes + breakMinutes + lagMinutes;
    this.freeMinutes[person] = endMinutes;
    this.endsMinutes += endMinutes;
    if (endMinutes > this.finishMinutes) this.finishMinutes = endMinutes;
    if (this.next[group] === this.tasks.groups[group]!.length)
      this.lateMinutes += Math.max(0, startMinutes + breakMinutes + task.dryMinutes - task.deadlineMinutes);
    if (bucket < 0) return;
    this.lastBucket[person] = bucket;
    this.bucketFreeMinutes[bucket] = endMinutes;
    this.holder[bucket] = person;
    this.isUsed[bucket] = 1;
  }

  planned(task: DayTask, person: number): PlannedTask {
    const fetch = this.fetchOf(task, person);
    const { startMinutes, endMinutes } = this.within(task, person, this.fromOf(task, person, fetch), fetch);
    const breakMinutes = Math.max(0, endMinutes - startMinutes - task.workMinutes);
    return {
      group: task.group,
      step: task.step,
      person,
      fetchFromMinutes: startMinutes - fetch,
      startMinutes,
      endMinutes,
      dryMinutes: startMinutes + breakMinutes + task.dryMinutes,
    };
  }

  /** Without regard to hours: the person, the bucket and the pieces are there. */
  private fromOf(task: DayTask, person: number, fetch: number): number {
    const free = Math.max(this.freeMinutes[person]!, task.bucket < 0 ? 0 : this.bucketFreeMinutes[task.bucket]!);
    return Math.max(free + fetch, this.readyMinutes[task.group]!, task.notBeforeMinutes);
  }

  /** Whether pieces are wet after it. */
  private isWet = ({ dryMinutes, workMinutes }: DayTask): boolean => dryMinutes > workMinutes;

  private within(task: DayTask, person: number, fromMinutes: number, fetchMinutes: number): PlacedWork {
    let placed = this.inHours(task, person, { fromMinutes, fetchMinutes });
    if (!this.isCrowded || !this.isWet(task)) return placed;
    // A place that is free in the night is no use: hours and places are looked at until both will do.
    for (let tried = 0; tried < MOST_TRIED; tried++) {
      const room = this.drying.roomFrom(task.group, {
        pieces: task.pieces,
        fromMinutes: placed.startMinutes,
        wetMinutes: placed.endMinutes - placed.startMinutes - task.workMinutes + task.dryMinutes,
      });
      if (room <= placed.startMinutes) return placed;
      placed = this.inHours(task, person, { fromMinutes: room, fetchMinutes });
    }
    return placed;
  }

  private inHours(
    { workMinutes }: DayTask,
    person: number,
    { fromMinutes, fetchMinutes }: { fromMinutes: number; fetchMinutes: number },
  ): PlacedWork {
    if (this.tasks.isAlwaysOpen) return { startMinutes: fromMinutes, endMinutes: fromMinutes + workMinutes };
    return workWithin(this.tasks.hours[person]!, { fromMinutes, fetchMinutes, workMinutes });
  }
}
