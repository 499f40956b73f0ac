import { DestroyRef, inject } from '@angular/core';

/** Keeps the screen on for as long as the calling component lives, where the browser can; where it cannot, nothing breaks. */
export function keepAwake(destroyRef = inject(DestroyRef)): void {
  let lock: WakeLockSentinel | undefined;
  let over = false;
  const ask = (): void => {
    if (over || document.hidden) return;
    // A browser releases it when the page is hidden: it is asked for again when the page is back.
    void navigator.wakeLock?.request('screen').then(
      (given) => {
        lock = given;
        if (over) void given.release();
      },
      () => undefined,
    );
  };
  document.addEventListener('visibilitychange', ask);
  ask();
  destroyRef.onDestroy(() => {
    over = true;
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  });
}
