#!/usr/bin/env bash
# Makes the demo shoot's recordings anew: generated speech with the faults the story needs. Needs espeak-ng and sox.
set -euo pipefail
cd "$(dirname "$0")/recordings"
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT

speak() { # name, pitch, speed, text…: sentences with pauses between, at 48 kHz
  local name=$1 pitch=$2 speed=$3
  shift 3
  local parts=() index=0
  for sentence in "$@"; do
    espeak-ng -v en-gb -p "$pitch" -s "$speed" -w "$work/$name-$index.raw.wav" "$sentence"
    sox "$work/$name-$index.raw.wav" -r 48000 "$work/$name-$index.wav" norm -3 pad 0.5 0.9
    parts+=("$work/$name-$index.wav")
    index=$((index + 1))
  done
  sox "${parts[@]}" "$work/$name.wav"
}

noise() { # name, kind, peak in dB, filters…
  local name=$1 kind=$2 level=$3
  shift 3
  sox -R -n -r 48000 -c 1 "$work/$name.wav" synth 14 "${kind}noise" "$@" norm "$level"
}

mix() { # output, speech gain in dB, speech, noise
  sox -R -m -v 1 "|sox $work/$3.wav -p gain $2" -v 1 "$work/$4.wav" -b 24 "$1" trim 0 "$(soxi -D "$work/$3.wav")"
}

speak miller 25 150 "The tide turns the wheel for five hours." "When it slackens, we stop the stones and wait."
noise granary pink -53 lowpass 2500 highpass 90
mix miller-granary.wav -9.5 miller granary

speak engineer 60 165 "The sluice gate is new oak." "We hung it on the old iron at low water."
noise quay brown -13 highpass 60 tremolo 0.3 40
mix engineer-quay.wav -17 engineer quay

speak singer 75 160 "Thank you all for coming!" "Raise your glasses to the mill!"
noise hall pink -50 highpass 80
mix singer-hall.wav 13 singer hall

# Voices for the card, at 24 kHz: sentences with exactly half a second of silence between, each brought near the average
# spectrum of speech by hand.
voice() { # file, language and variant, pitch, speed, filters, text…
  local file=$1 variant=$2 pitch=$3 speed=$4 filters=$5
  shift 5
  local parts=() index=0
  for sentence in "$@"; do
    espeak-ng -v "$variant" -p "$pitch" -s "$speed" -w "$work/$index.said.wav" "$sentence"
    # shellcheck disable=SC2086
    sox "$work/$index.said.wav" -r 24000 "$work/$index.part.wav" $filters \
      silence 1 0.01 0.5% fade 0.01 reverse silence 1 0.01 0.5% fade 0.03 reverse norm -1 pad 0 0.5
    parts+=("$work/$index.part.wav")
    index=$((index + 1))
  done
  sox -R "${parts[@]}" -b 16 "$file"
}

voice voice-miller.wav en-gb+m3 35 150 "bass -3 treble 2" \
  "The tide turns the wheel for five hours a day." "When it slackens, we stop the stones and wait for the water." \
  "Put the big sacks by the door, please." "My grandfather painted these boats."
voice voice-engineer.wav en-gb+f2 88 160 "treble -2" \
  "The sluice gate is new oak, hung on the old iron." "We measured it three times before anybody cut." \
  "Six ships came past us on Thursday; she saw them first." "Bring the long ladder down to the quay."
voice voice-singer.wav en-us+f4 92 155 "treble -3" \
  "Thank you all for coming to the mill tonight." "I thought about it for a long while, and then I said yes." \
  "Raise your glasses to the people who carried the stones." "We sing this one for the river."

# A clap in the granary: a burst of noise through sox's reverberator, with the place's own tone under it.
sox -R -n -r 24000 -c 1 "$work/burst.wav" synth 0.02 whitenoise fade 0 0.02 0.01 gain -3 pad 1.2 3.4
sox -R "$work/burst.wav" "$work/clap.wav" gain -3 reverb -w 58 30 100 100 0 10 norm -3
sox -R -n -r 24000 -c 1 "$work/still.wav" synth 4.6 pinknoise lowpass 2500 highpass 80 gain -78
sox -R -m -v 1 "$work/clap.wav" -v 1 "$work/still.wav" -b 16 granary-clap.wav gain -1
