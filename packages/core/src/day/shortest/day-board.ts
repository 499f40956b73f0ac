import type { DayTask, DayTasks } from './day-question';

/** A task with who does it and when, minutes from the start of the day. */
export interface PlannedTask {
  group: number;
  step: number;
  person: number;
  /** Fetching its bucket takes from here to its start. */
  fetchFromMinutes: number;
  startMinutes: number;
  endMinutes: number;
}

/** How far a day is planned: what each group, person and bucket is free for, minutes. */
export class DayBoard {
  /** Of each group: its next task, and when that may start. */
  readonly next: Int32Array;
  readonly readyMinutes: Float64Array;
  /** Of each person: when free, and the bucket they had last. */
  readonly freeMinutes: Float64Array;
  readonly lastBucket: Int32Array;
  /** Of each bucket: when free, and who had it last. */
  readonly bucketFreeMinutes: Float64Array;
  readonly holder: Int32Array;
  finishMinutes = 0;
  /** When the task that was put on last begins to take a person and a bucket. */
  beganMinutes = 0;

  constructor(readonly tasks: DayTasks) {
    this.next = new Int32Array(tasks.groups.length);
    this.readyMinutes = new Float64Array(tasks.groups.length);
    this.freeMinutes = new Float64Array(tasks.people);
    this.lastBucket = new Int32Array(tasks.people).fill(-1);
    this.bucketFreeMinutes = new Float64Array(tasks.buckets);
    this.holder = new Int32Array(tasks.buckets).fill(-1);
  }

  reset(): void {
    this.next.fill(0);
    this.readyMinutes.fill(0);
    this.freeMinutes.fill(0);
    this.lastBucket.fill(-1);
    this.bucketFreeMinutes.fill(0);
    this.holder.fill(-1);
    this.finishMinutes = 0;
    this.beganMinutes = 0;
  }

  nextOf(group: number): DayTask | undefined {
    return this.tasks.groups[group]![this.next[group]!];
  }

  /** Minutes of fetching before this person can begin: none where the bucket is still in their hands. */
  fetchOf({ bucket }: DayTask, person: number): number {
    return bucket < 0 || (this.lastBucket[person] === bucket && this.holder[bucket] === person) ? 0 : this.tasks.fetchMinutes;
  }

  /** The earliest start of a group's next task by this person, after all that is on the board. */
  startOf(task: DayTask, person: number): number {
    const free = Math.max(this.freeMinutes[person]!, task.bucket < 0 ? 0 : this.bucketFreeMinutes[task.bucket]!);
    return Math.max(free + this.fetchOf(task, person), this.readyMinutes[task.group]!);
  }

  /** Puts a group's next task on the board. Returns what takes it off again. */
  put(task: DayTask, person: number): () => void {
    const { group, bucket, workMinutes, lagMinutes } = task;
    const start = this.startOf(task, person);
    const before = {
      ready: this.readyMinutes[group]!,
      free: this.freeMinutes[person]!,
      last: this.lastBucket[person]!,
      bucketFree: bucket < 0 ? 0 : this.bucketFreeMinutes[bucket]!,
      holder: bucket < 0 ? -1 : this.holder[bucket]!,
      finish: this.finishMinutes,
      began: this.beganMinutes,
    };
    this.beganMinutes = start - this.fetchOf(task, person);
    this.next[group]! += 1;
    this.readyMinutes[group] = start + lagMinutes;
    this.freeMinutes[person] = start + workMinutes;
    this.finishMinutes = Math.max(this.finishMinutes, start + workMinutes);
    if (bucket >= 0) {
      this.lastBucket[person] = bucket;
      this.bucketFreeMinutes[bucket] = start + workMinutes;
      this.holder[bucket] = person;
    }
    return () => {
      this.next[group]! -= 1;
      this.readyMinutes[group] = before.ready;
      this.freeMinutes[person] = before.free;
      this.lastBucket[person] = before.last;
      if (bucket >= 0) {
        this.bucketFreeMinutes[bucket] = before.bucketFree;
        this.holder[bucket] = before.holder;
      }
      this.finishMinutes = before.finish;
      this.beganMinutes = before.began;
    };
  }

  planned(task: DayTask, person: number): PlannedTask {
    const startMinutes = this.startOf(task, person);
    return {
      group: task.group,
      step: task.step,
      person,
      fetchFromMinutes: startMinutes - this.fetchOf(task, person),
      startMinutes,
      endMinutes: startMinutes + task.workMinutes,
    };
  }
}
