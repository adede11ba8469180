#!/usr/bin/env bash
# Makes the demo's two camera files anew: what a camera four metres away hears of two recordings. Needs ffmpeg.
set -euo pipefail
cd "$(dirname "$0")/recordings"

camera() { # output, recording, where it begins in it in s, frame rate, colour, length in s
  # Four metres are 11.7 ms; a room, a dull microphone, and the camera's own hiss.
  ffmpeg -nostdin -v error -y -bitexact \
    -f lavfi -i "color=c=$5:s=192x108:r=$4,drawbox=x=mod(t*40\,192):y=84:w=12:h=12:color=0x2b2a28:t=fill" \
    -ss "$3" -i "$2" \
    -f lavfi -i "anoisesrc=a=0.004:c=pink:r=48000:seed=7" \
    -filter_complex "[1:a]adelay=11.66,aecho=0.8:0.7:19|37|61:0.3|0.2|0.12,highpass=180,lowpass=5200[v];[v][2:a]amix=2:duration=first:normalize=0[a]" \
    -map 0:v -map "[a]" -shortest -c:v libx264 -preset slow -crf 34 -pix_fmt yuv420p -c:a aac -b:a 64k -movflags +faststart -t "$6" "$1"
}

camera camera-granary.mp4 miller-granary.wav 0.8 25 0xc9b48f 8
camera camera-quay.mp4 engineer-quay.wav 1.2 25 0x9fb3bd 5.6
