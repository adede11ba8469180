"""Voices of one speech maker in noises of known level, for a bench: FOLDER SECONDS_OF_SPEED_TEST."""
import subprocess
import sys

import numpy as np
from scipy import signal
from scipy.io import wavfile

folder, speed_seconds = sys.argv[1], float(sys.argv[2])
RATE = 48000
WORDS = "mill wheel gate water oak tenon quay sluice barley miller winter stone rope harbour tide flour dust ladder beam tooth".split()


def voice(name, seed, count):
    draw = np.random.default_rng(seed)
    said = " ".join(
        f"The {draw.choice(WORDS)} and the {draw.choice(WORDS)} were {draw.integers(3, 90)} steps from the {draw.choice(WORDS)}."
        for _ in range(count)
    )
    path = f"{folder}/said.wav"
    subprocess.run(["espeak-ng", "-v", name, "-s", "150", "-w", path, said], check=True)
    rate, samples = wavfile.read(path)
    samples = signal.resample(samples / 32768, int(len(samples) * RATE / rate))
    samples *= 10 ** (-26 / 20) / np.sqrt(np.mean(samples**2))
    return np.concatenate([np.zeros(2 * RATE), samples, np.zeros(RATE)])


def noise(kind, count, seed):
    white = np.random.default_rng(seed).standard_normal(count)
    if kind == "white":
        return white
    spectrum = np.fft.rfft(white) / np.maximum(1, np.arange(count // 2 + 1)) ** {"pink": 0.5, "brown": 0.8}[kind]
    b, a = signal.butter(2, 60, "high", fs=RATE)
    return signal.lfilter(b, a, np.fft.irfft(spectrum, count))


at = 0
for name in ["en", "en+f3", "fr", "de+f2", "ru", "pt+m3"]:
    clean = voice(name, 40 + at, 12)
    for kind in ["white", "pink", "brown"]:
        for snr in (5, 10, 20):
            own = noise(kind, len(clean), 900 + at)
            own *= np.sqrt(np.mean(clean[2 * RATE : -RATE] ** 2) / np.mean(own**2)) * 10 ** (-snr / 20)
            wavfile.write(f"{folder}/clean{at}.wav", RATE, clean.astype(np.float32))
            wavfile.write(f"{folder}/noisy{at}.wav", RATE, (clean + own).astype(np.float32))
            with open(f"{folder}/list.txt", "a") as out:
                out.write(f"{at} {name} {kind} {snr}\n")
            at += 1

# One long file for speed: the voice again and again, in both channels.
clean = voice("en", 3, 40)
count = int(speed_seconds * RATE)
loop = np.resize(clean, count) + 0.003 * np.random.default_rng(1).standard_normal(count)
both = (np.stack([loop, 0.8 * loop], 1) * 2**31 * 0.9).astype(np.int32)
wavfile.write(f"{folder}/long.wav", RATE, both)
