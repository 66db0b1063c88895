"""Works out golden values for the averages and the relative strength index, straight from their definitions, with
exact fractions, independently of the Java code. Writes golden.csv beside this file: python3 golden.py"""
import csv
import pathlib
from fractions import Fraction as F

closes = [F(str(c)) for c in (
    "44.34 44.09 44.15 43.61 44.33 44.83 45.10 45.42 45.84 46.08 45.89 46.03 45.61 46.28 46.28 46.00 46.03 46.41 "
    "46.22 45.64 46.21 46.25 45.71 46.45 45.78 45.35 44.03 44.18 44.22 44.57 43.42 42.66 43.13 43.13 43.90 44.25"
).split()]


def sma(values, n):
    return [None if i < n - 1 else sum(values[i - n + 1:i + 1]) / n for i in range(len(values))]


def ema(values, n):
    out, weight = [], F(2, n + 1)
    for i, v in enumerate(values):
        if i < n - 1:
            out.append(None)
        elif i == n - 1:
            out.append(sum(values[:n]) / n)
        else:
            out.append(v * weight + out[-1] * (1 - weight))
    return out


def rsi(values, n):
    out, gain, loss = [None], F(0), F(0)
    for i in range(1, len(values)):
        change = values[i] - values[i - 1]
        up, down = max(change, 0), max(-change, 0)
        if i <= n:
            gain += F(up) / n
            loss += F(down) / n
            if i < n:
                out.append(None)
                continue
        else:
            gain = (gain * (n - 1) + up) / n
            loss = (loss * (n - 1) + down) / n
        out.append(100 - 100 / (1 + gain / loss))
    return out


columns = {"sma 5": sma(closes, 5), "ema 5": ema(closes, 5), "rsi 14": rsi(closes, 14), "ema 10": ema(closes, 10),
           "highest 7": [None if i < 6 else max(closes[i - 6:i + 1]) for i in range(len(closes))],
           "lowest 7": [None if i < 6 else min(closes[i - 6:i + 1]) for i in range(len(closes))]}
with open(pathlib.Path(__file__).with_name("golden.csv"), "w", newline="") as file:
    writer = csv.writer(file, lineterminator="\n")
    writer.writerow(["close", *columns])
    for i, c in enumerate(closes):
        writer.writerow([float(c), *("" if col[i] is None else repr(float(col[i])) for col in columns.values())])
