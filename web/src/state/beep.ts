/** Short tones, three unless told otherwise; silence where the browser has no sound or does not allow it yet. */
export function beep(count = 3): void {
  try {
    const context = new AudioContext();
    for (const [i, hz] of [660, 660, 880].slice(-count).entries()) {
      const tone = context.createOscillator();
      const volume = context.createGain();
      tone.frequency.value = hz;
      volume.gain.value = 0.2;
      tone.connect(volume).connect(context.destination);
      tone.start(context.currentTime + i * 0.3);
      tone.stop(context.currentTime + i * 0.3 + 0.2);
    }
    setTimeout(() => void context.close(), 1500);
  } catch {
    // No sound is no reason to stop: the title and the bar say it too.
  }
}
