// Hands on what comes in, in pieces of half a second, and what is left when it is asked for (src/office/voices/VoiceCapture.ts).
const pieceSeconds = 0.5;

class Capture extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(Math.round(pieceSeconds * sampleRate));
    this.filled = 0;
    this.isPaused = false;
    this.isOver = false;
    this.port.onmessage = ({ data }) => {
      if (data === 'pause') this.isPaused = true;
      if (data === 'resume') this.isPaused = false;
      if (data === 'end') this.end();
    };
  }

  end() {
    this.isOver = true;
    this.hand();
    this.port.postMessage(null);
  }

  hand() {
    if (this.filled > 0) this.port.postMessage(this.piece.slice(0, this.filled));
    this.filled = 0;
  }

  process([input]) {
    if (this.isOver) return false;
    if (this.isPaused) return true;
    const [samples] = input;
    // Nothing that is connected gives nothing: silence is kept, so that what follows stands at its time.
    const length = samples?.length ?? 128;
    for (let at = 0; at < length; at++) {
      this.piece[this.filled++] = samples?.[at] ?? 0;
      if (this.filled === this.piece.length) this.hand();
    }
    return true;
  }
}

registerProcessor('capture', Capture);
