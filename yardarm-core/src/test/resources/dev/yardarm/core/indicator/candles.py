"""Works out where the candle patterns of the catalogue hold, straight from the published rules, bar by bar over plain lists,
independently of the Java code. Writes candles.tsv beside this file:

    python3 candles.py

First a line for each bar (open, high, low, close), made up on a coarse grid so that gaps, equal lows and bars without a body
occur; then, behind an empty line, one line for each cue: its name and the bars on which it holds. Before bar 14 no rule is asked:
there the usual body and the trend are not known for all bars of every pattern.
"""
import pathlib

N = 5000
FIRST = 14
state = 12


def rnd(n):
    global state
    state = (state * 1103515245 + 12345) % 2 ** 31
    return (state >> 8) % n


class Candle:
    def __init__(self, o, h, l, c):
        self.o, self.h, self.l, self.c = o, h, l, c
        self.size = abs(c - o)
        self.span = h - l
        self.white, self.black = c > o, c < o
        self.head, self.foot = h - max(o, c), min(o, c) - l
        self.body_high, self.body_low = max(o, c), min(o, c)

    def doji(self):
        return self.span > 0 and self.size / self.span <= 0.05

    def big(self):
        return self.size > self.mean

    def little(self):
        return 2 * self.size < self.mean

    def shaven(self):
        return self.big() and self.head <= 0.05 * self.span and self.foot <= 0.05 * self.span

    def body_inside(self, other):
        return self.body_high <= other.body_high and self.body_low >= other.body_low and self.size < other.size

    def body_around(self, other):
        return self.body_high >= other.body_high and self.body_low <= other.body_low and self.size > other.size

    def opens_inside(self, other):
        return other.body_low <= self.o <= other.body_high


B = []
price, lean = 10000, 0
for i in range(N):
    if rnd(14) == 0:
        lean = rnd(3) - 1
    gap = (0, 0, 0, 1, -1, 2, -2, 9, -9, 16, -16, 24, -24)[rnd(13)]
    size = (0, 1, 2, 3, 8, 12, 16, 20)[rnd(8)]
    sign = 1 if rnd(4) < 2 + lean else -1
    o = price + gap
    c = o + sign * size
    B.append(Candle(o, max(o, c) + (0, 0, 0, 0, 1, 2, 25)[rnd(7)], min(o, c) - (0, 0, 0, 0, 1, 2, 25)[rnd(7)], c))
    price = c

average = None
for i, bar in enumerate(B):
    bar.mean = sum(b.size for b in B[i - 10:i]) / 10 if i >= 10 else None
    if i == 9:
        average = sum(b.c for b in B[:10]) / 10
    elif i > 9:
        average += (bar.c - average) * 2 / 11
    bar.sinking = average is not None and bar.c < average
    bar.climbing = average is not None and bar.c > average

found = {}


def note(name, holds, at):
    found.setdefault(name, [])
    if holds:
        found[name].append(at)


for i in range(FIRST, N):
    before4, before3, before2, before1, now = B[i - 4:i + 1]
    x = now
    # --- one bar
    note("doji.doji", x.doji(), i)
    note("doji.long_legged", x.doji() and min(x.head, x.foot) >= 0.3 * x.span, i)
    note("doji.dragonfly", x.doji() and x.head <= 0.1 * x.span and x.foot >= 0.6 * x.span, i)
    note("doji.gravestone", x.doji() and x.foot <= 0.1 * x.span and x.head >= 0.6 * x.span, i)
    note("spinning_top.spinning_top", x.little() and not x.doji() and min(x.head, x.foot) > x.size, i)
    note("marubozu.bullish", x.white and x.shaven(), i)
    note("marubozu.bearish", x.black and x.shaven(), i)
    note("belt_hold.bullish", before1.sinking and x.white and x.big() and x.foot <= 0.05 * x.span, i)
    note("belt_hold.bearish", before1.climbing and x.black and x.big() and x.head <= 0.05 * x.span, i)
    umbrella = x.size > 0 and 3 * x.size <= x.span and x.foot >= 2 * x.size and x.head <= 0.1 * x.span
    note("hammer.hammer", umbrella and before1.sinking, i)
    note("hammer.hanging_man", umbrella and before1.climbing, i)
    upturned = x.size > 0 and 3 * x.size <= x.span and x.head >= 2 * x.size and x.foot <= 0.1 * x.span
    note("shooting_star.shooting_star", upturned and before1.climbing, i)
    note("shooting_star.inverted_hammer", upturned and before1.sinking, i)
    # --- two bars
    first, second = before1, now
    fall, rise = before2.sinking, before2.climbing
    note("engulfing.bullish", fall and first.black and second.white and second.body_around(first), i)
    note("engulfing.bearish", rise and first.white and second.black and second.body_around(first), i)
    held = second.body_inside(first) and first.big()
    note("harami.bullish", fall and held and first.black and second.white and not second.doji(), i)
    note("harami.bearish", rise and held and first.white and second.black and not second.doji(), i)
    note("harami.bullish_cross", fall and held and first.black and second.doji(), i)
    note("harami.bearish_cross", rise and held and first.white and second.doji(), i)
    half = first.body_low + first.size / 2
    note("piercing.piercing_line",
         fall and first.black and first.big() and second.white and second.o < first.l and half < second.c < first.o, i)
    note("piercing.dark_cloud",
         rise and first.white and first.big() and second.black and second.o > first.h and first.o < second.c < half, i)
    tolerance = second.mean / 10
    note("tweezers.bottom",
         fall and first.black and first.big() and second.white and abs(first.l - second.l) <= tolerance, i)
    note("tweezers.top", rise and first.white and first.big() and second.black and abs(first.h - second.h) <= tolerance, i)
    both = first.shaven() and second.shaven()
    note("kicking.bullish", both and first.black and second.white and second.l > first.h, i)
    note("kicking.bearish", both and first.white and second.black and second.h < first.l, i)
    # --- three bars
    first, second, third = before2, before1, now
    fall, rise = before3.sinking, before3.climbing
    half = first.body_low + first.size / 2
    morning = (fall and first.black and first.big() and second.body_high < first.body_low and third.white
               and third.c > half)
    evening = (rise and first.white and first.big() and second.body_low > first.body_high and third.black
               and third.c < half)
    note("star.morning", morning and second.little() and not second.doji(), i)
    note("star.evening", evening and second.little() and not second.doji(), i)
    note("star.morning_doji", morning and second.doji(), i)
    note("star.evening_doji", evening and second.doji(), i)
    note("abandoned_baby.bullish",
         fall and first.black and first.big() and second.doji() and second.h < min(first.l, third.l) and third.white
         and third.c > first.c, i)
    note("abandoned_baby.bearish",
         rise and first.white and first.big() and second.doji() and second.l > max(first.h, third.h) and third.black
         and third.c < first.c, i)
    row = (first, second, third)
    steps = second.opens_inside(first) and third.opens_inside(second) and all(b.big() for b in row)
    note("three_soldiers.white_soldiers",
         fall and steps and all(b.white and b.head <= b.span / 4 for b in row) and first.c < second.c < third.c, i)
    note("three_soldiers.black_crows",
         rise and steps and all(b.black and b.foot <= b.span / 4 for b in row) and first.c > second.c > third.c, i)
    held = second.body_inside(first) and first.big()
    note("three_inside.up", fall and held and first.black and second.white and third.white and third.c > first.o, i)
    note("three_inside.down", rise and held and first.white and second.black and third.black and third.c < first.o, i)
    around = second.body_around(first)
    note("three_outside.up", fall and around and first.black and second.white and third.white and third.c > second.c, i)
    note("three_outside.down", rise and around and first.white and second.black and third.black and third.c < second.c, i)
    note("tasuki_gap.upside",
         rise and first.white and second.white and second.l > first.h and third.black and third.opens_inside(second)
         and first.h < third.c < second.l, i)
    note("tasuki_gap.downside",
         fall and first.black and second.black and second.h < first.l and third.white and third.opens_inside(second)
         and second.h < third.c < first.l, i)
    # --- five bars
    first, rest, last = before4, (before3, before2, before1), now
    quiet = all(b.size < first.size and b.h <= first.h and b.l >= first.l for b in rest) and first.big() and last.big()
    note("three_methods.rising",
         quiet and first.white and last.white and rest[2].c < rest[0].c and last.c > first.c, i)
    note("three_methods.falling",
         quiet and first.black and last.black and rest[2].c > rest[0].c and last.c < first.c, i)

lines = ["%d\t%d\t%d\t%d" % (b.o, b.h, b.l, b.c) for b in B]
lines.append("")
lines += [name + "\t" + " ".join(map(str, at)) for name, at in found.items()]
pathlib.Path(__file__).with_name("candles.tsv").write_text("\n".join(lines) + "\n")
if __name__ == "__main__":
    for name, at in found.items():
        print(len(at), name)
