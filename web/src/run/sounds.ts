import type { Call, RunClock } from '@inner-rung/core/run';
import { positionAt } from '@inner-rung/core/run';
import { useEffect, useRef } from 'react';

/** What each moment sounds like: tones in Hz, how long each in seconds. Told apart by rhythm as much as by pitch. */
const TONES: Readonly<Record<Call['sound'], readonly (readonly [number, number])[]>> = {
  work: [
    [880, 0.14],
    [1175, 0.32],
  ],
  rest: [
    [587, 0.16],
    [440, 0.34],
  ],
  tick: [[740, 0.07]],
  lane: [
    [660, 0.09],
    [660, 0.09],
    [660, 0.09],
  ],
  say: [],
  pulse: [[392, 0.04]],
  end: [
    [523, 0.2],
    [659, 0.2],
    [784, 0.5],
  ],
};
const AHEAD_S = 0.9;
const EVERY_MS = 200;

export interface SoundChoice {
  readonly volume: number;
  readonly speech: boolean;
  /** A soft beat at every rep; its numbers are spoken where reps are counted. */
  readonly pulse: boolean;
}

/** How loud a beat is beside everything else. */
const SOFT = 0.35;

/**
 * Sounds of a run, put on the audio clock a little ahead, so that a slow page doesn't bend them; words by the
 * browser's own voice where it has one; a phone shakes where it can. Nothing is heard before somebody has touched
 * the page: browsers want it so.
 */
export function useSounds(
  clock: RunClock | null,
  calls: readonly (readonly Call[])[],
  now: () => number,
  choice: SoundChoice,
): void {
  const audio = useRef<AudioContext | null>(null);
  const done = useRef(new Set<string>());
  useEffect(() => {
    const wake = () => {
      audio.current ??= new AudioContext();
      void audio.current.resume();
    };
    window.addEventListener('pointerdown', wake);
    window.addEventListener('keydown', wake);
    return () => {
      window.removeEventListener('pointerdown', wake);
      window.removeEventListener('keydown', wake);
    };
  }, []);
  useEffect(() => {
    if (!clock) return;
    const play = (call: Call, inSeconds: number) => {
      if (call.sound === 'pulse' && !choice.pulse) return;
      const context = audio.current;
      if (context && choice.volume > 0) {
        let at = context.currentTime + Math.max(0, inSeconds);
        for (const [hertz, seconds] of TONES[call.sound]) {
          const tone = context.createOscillator();
          const gain = context.createGain();
          tone.frequency.value = hertz;
          gain.gain.setValueAtTime(choice.volume * (call.sound === 'pulse' ? SOFT : 1), at);
          gain.gain.setTargetAtTime(0, at + seconds * 0.7, 0.03);
          tone.connect(gain).connect(context.destination);
          tone.start(at);
          tone.stop(at + seconds + 0.1);
          at += seconds + 0.04;
        }
      }
      if (call.sound === 'work' || call.sound === 'rest')
        navigator.vibrate?.(call.sound === 'work' ? [180, 80, 180] : 350);
      if (call.says && choice.speech && 'speechSynthesis' in window)
        setTimeout(
          () => speechSynthesis.speak(new SpeechSynthesisUtterance(call.says!)),
          Math.max(0, inSeconds * 1000),
        );
    };
    const look = () => {
      const here = positionAt(clock, now());
      if (here.is !== 'running') return;
      for (const offset of [0, 1]) {
        const stretch = clock.stretches[here.index + offset];
        if (!stretch) continue;
        const begins = offset === 0 ? -here.into : here.left;
        for (const [i, call] of (calls[here.index + offset] ?? []).entries()) {
          const inSeconds = begins + call.at;
          const name = `${stretch.key}/${i}`;
          // What is past was heard elsewhere or not at all: nobody wants it late.
          if (inSeconds > AHEAD_S || done.current.has(name)) continue;
          done.current.add(name);
          if (inSeconds > -0.4) play(call, inSeconds);
        }
      }
    };
    look();
    const every = setInterval(look, EVERY_MS);
    return () => clearInterval(every);
  }, [clock, calls, now, choice.volume, choice.speech, choice.pulse]);
}

/** Keeps the screen awake while it runs, where the browser can: over plain HTTP on a network it can't. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const hold = () =>
      navigator.wakeLock.request('screen').then(
        (held) => {
          if (over) void held.release();
          else lock = held;
        },
        () => undefined,
      );
    void hold();
    const again = () => document.visibilityState === 'visible' && void hold();
    document.addEventListener('visibilitychange', again);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [on]);
}
