"""Pairs of camera and recorder sound with known offset and drift, made by other programs than the one that is measured:
voices by espeak-ng, rooms, microphones, delays and clocks by scipy, AAC by ffmpeg.

makePairs.py FOLDER PAIRS SEED LEAST_S MOST_S NOISE_DB RATE KIND
KIND: "apart" (camera in a room of 1 s, another microphone, noise, AAC) or "same" (the same path, softer noise).
"""
import json
import os
import random
import subprocess
import sys

import numpy as np
from scipy.fft import irfft, next_fast_len, rfft
from scipy.io import wavfile
from scipy.signal import butter, fftconvolve, lfilter, resample, resample_poly, sosfilt

folder, pairs, seed = sys.argv[1], int(sys.argv[2]), int(sys.argv[3])
least_s, most_s, noise_db, rate, kind = float(sys.argv[4]), float(sys.argv[5]), float(sys.argv[6]), int(sys.argv[7]), sys.argv[8]
os.makedirs(folder, exist_ok=True)
chance = np.random.default_rng(seed)
words_of = random.Random(seed)
VOICES = ["pt+m2", "nl+f1", "fi+m4", "tr+f3", "cs+m1", "hu+f2", "ro+m6", "el+f4", "da+m7", "sk+f5", "hr+m3", "id+f1"]
SYLLABLES = "ba de ki lo mu na pe ri so tu va we yo zi cha dra fle gro kla sti tro pla bre sno min tan gor lek".split()


def speech(seconds):
    """Somebody who says what was never said before."""
    text, parts = [], []
    while sum(map(len, parts)) < seconds * rate:
        for _ in range(40):
            text.append("".join(words_of.choice(SYLLABLES) for _ in range(words_of.randint(1, 4))))
            if words_of.random() < 0.12:
                text.append(".")
        voice = ["-v", words_of.choice(VOICES), "-s", str(words_of.randint(125, 190)), "-p", str(words_of.randint(25, 75))]
        path = os.path.join(folder, "voice.wav")
        subprocess.run(["espeak-ng", *voice, "-w", path, " ".join(text)], check=True, stderr=subprocess.DEVNULL)
        own, samples = wavfile.read(path)
        parts.append(resample_poly(samples.astype(float), rate, own))
        text = []
    return np.concatenate(parts)[: int(seconds * rate)]


def room(samples, rt60_s, share):
    length = int(rt60_s * rate)
    tail = chance.standard_normal(length) * 10 ** (-3 * np.arange(length) / length) * np.sqrt(13.8 / (rate * rt60_s))
    tail[: int(0.003 * rate)] = 0
    return samples + share * fftconvolve(samples, tail)[: len(samples)]


def microphone(samples):
    low = butter(1, chance.uniform(80, 300), "high", fs=rate, output="sos")
    high = butter(int(chance.integers(1, 3)), min(chance.uniform(3500, 9000), 0.45 * rate), fs=rate, output="sos")
    return lfilter([1, chance.uniform(-0.5, 0.5)], [1], sosfilt(high, sosfilt(low, samples)))


def pink(length):
    size = next_fast_len(length, real=True)
    spectrum = rfft(chance.standard_normal(size)) / np.sqrt(np.maximum(np.fft.rfftfreq(size, 1 / rate), 60))
    course = irfft(spectrum, size)[:length]
    return course / np.std(course)


def later(samples, by):
    """By so many samples, whole or not: in the spectrum."""
    size = next_fast_len(len(samples) + 4096, real=True)
    turn = np.exp(-2j * np.pi * np.arange(size // 2 + 1) * by / size)
    return irfft(rfft(samples, size) * turn, size)[: len(samples)]


def roughest(number):
    """The largest prime in a number: transforms of smooth lengths are quick."""
    most, prime = 1, 2
    while prime * prime <= number:
        while number % prime == 0:
            most, number = prime, number // prime
        prime += 1
    return max(most, number)


def at_other_clock(samples):
    """As recorded by a clock up to 80 ppm off; with how many times as many samples."""
    even = next_fast_len(len(samples) - 2000, real=True)
    even = even if even <= len(samples) else len(samples) - len(samples) % 4800
    off = sorted(chance.integers(-int(80e-6 * even), int(80e-6 * even) + 1, 60))
    length = min((even + each for each in off), key=roughest)
    return resample(samples[:even], length), length / even


def save(name, samples):
    wavfile.write(os.path.join(folder, name), rate, (3276.7 * samples / np.std(samples)).clip(-32768, 32767).astype(np.int16))


truth = []
for at in range(pairs):
    picture_s = chance.uniform(least_s, most_s)
    sound_s = picture_s * chance.uniform(0.8, 1.5) + 4
    # The sound begins before the picture or after it, and shares half of the shorter at least.
    begins_s = chance.uniform(min(0, 0.5 * picture_s - sound_s), 0.5 * min(picture_s, sound_s))
    shift_s = max(0, -begins_s)
    dry = speech(max(picture_s + shift_s, begins_s + shift_s + sound_s) + 0.5)
    first, own = int(shift_s * rate), int((begins_s + shift_s) * rate)
    picture = dry[first : first + int(picture_s * rate)]
    sound = dry[own : own + int(sound_s * rate)]
    sound, drift = at_other_clock(sound)
    part = chance.uniform(0, 1)
    sound = later(sound, part)
    if kind == "apart":
        picture, sound = microphone(room(picture, 1.0, chance.uniform(0.8, 2))), microphone(room(sound, 0.4, 0.3))
    picture = picture + pink(len(picture)) * np.std(picture) * 10 ** (noise_db / 20)
    sound = sound + pink(len(sound)) * np.std(sound) * 10 ** (-35 / 20)
    save(f"sound{at:04}.wav", sound)
    save(f"picture{at:04}.wav", picture)
    if kind == "apart":
        wav, coded = os.path.join(folder, f"picture{at:04}.wav"), os.path.join(folder, "coded.m4a")
        for args in (["-i", wav, "-c:a", "aac", "-b:a", "96k", coded], ["-i", coded, "-c:a", "pcm_s16le", wav]):
            subprocess.run(["ffmpeg", "-nostdin", "-v", "error", "-y", *args], check=True)
    truth.append(
        {
            "offsetS": (first - own) / rate * drift + part / rate,
            "driftPpm": (drift - 1) * 1e6,
            "overlapS": min(first + len(picture), own + len(sound) / drift) / rate - max(first, own) / rate,
        }
    )
with open(os.path.join(folder, "truth.json"), "w") as file:
    json.dump(truth, file)
