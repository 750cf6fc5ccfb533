/** Three soft tones; silent where the browser lets nothing sound. */
export function ring(): void {
  try {
    const audio = new AudioContext();
    for (let i = 0; i < 3; i++) {
      const tone = audio.createOscillator();
      const level = audio.createGain();
      tone.frequency.value = 660;
      level.gain.setValueAtTime(0.0001, audio.currentTime + i * 0.5);
      level.gain.exponentialRampToValueAtTime(0.15, audio.currentTime + i * 0.5 + 0.05);
      level.gain.exponentialRampToValueAtTime(0.0001, audio.currentTime + i * 0.5 + 0.4);
      tone.connect(level).connect(audio.destination);
      tone.start(audio.currentTime + i * 0.5);
      tone.stop(audio.currentTime + i * 0.5 + 0.45);
    }
    setTimeout(() => void audio.close(), 2500);
  } catch {
    // the words on the screen say it as well
  }
}
