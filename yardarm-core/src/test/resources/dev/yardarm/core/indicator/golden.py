"""Works out golden values for the indicators of the catalogue, straight from the published definitions, in plain loops
over lists, independently of the Java code. Missing values are None. Writes golden.tsv beside this file:

    python3 golden.py

First the bars (time in minutes, open, high, low, close, volume, close of another instrument, which opens one lower and reaches from
three lower to two higher), made up by a small random
generator; then one column for each formula, named as in the formula language. Bars are of six hours, four to a session
of a UTC day, so that sessions, weeks and months begin anew within them.
"""
import math
import pathlib

# --- bars -------------------------------------------------------------------------------------------------------------
N = 120
state = 20260619


def rnd():
    global state
    state = (state * 1103515245 + 12345) % 2 ** 31
    return state / 2 ** 31


O, H, L, C, V, X, T = [], [], [], [], [], [], []
price, other = 60.0, 200.0
for bar in range(N):
    drift = 0.35 if bar < 40 else -0.4 if bar < 75 else 0.1
    opened = round(price + (rnd() - 0.5) * 0.6, 2)
    price = round(max(5, opened + drift + (rnd() - 0.5) * 3), 2)
    O.append(opened)
    C.append(price)
    H.append(round(max(opened, price) + rnd(), 2))
    L.append(round(min(opened, price) - rnd(), 2))
    V.append(float(int(500 + 1500 * rnd())))
    other = round(other * (1 + 0.4 * (price / opened - 1) + (rnd() - 0.5) * 0.02), 2)
    X.append(other)
    T.append(28401120 + bar * 360)  # minutes since 1970; the first bar opens on Monday 2024-01-01
DAY = [t // 1440 for t in T]


# --- steps ------------------------------------------------------------------------------------------------------------
def each(f, *lists):
    return [None if any(v is None for v in vs) else f(*vs) for vs in zip(*lists)]


def window(f, n, *lists):
    out = []
    for i in range(len(lists[0])):
        parts = [x[max(0, i - n + 1):i + 1] for x in lists]
        short = i + 1 < n or any(v is None for p in parts for v in p)
        out.append(None if short else f(*parts))
    return out


def back(x, k):
    return [None] * k + x[:len(x) - k]


def total(x, n):
    return window(sum, n, x)


def sma(x, n):
    return window(lambda w: math.fsum(w) / n, n, x)


def smooth(x, n, a):
    out, run, last = [], [], None
    for v in x:
        if v is None:
            run, last = [], None
        elif last is None:
            run.append(v)
            last = math.fsum(run) / n if len(run) == n else None
        else:
            last = a * v + (1 - a) * last
        out.append(last)
    return out


def ema(x, n):
    return smooth(x, n, 2 / (n + 1))


def wilder(x, n):
    return smooth(x, n, 1 / n)


def wma(x, n):
    return window(lambda w: sum((i + 1) * v for i, v in enumerate(w)) / (n * (n + 1) / 2), n, x)


def hi(x, n):
    return window(max, n, x)


def lo(x, n):
    return window(min, n, x)


def dev(x, n):
    def f(w):
        m = math.fsum(w) / n
        return math.sqrt(math.fsum((v - m) ** 2 for v in w) / n)
    return window(f, n, x)


def sub(a, b):
    return each(lambda p, q: p - q, a, b)


def change(x, k):
    return sub(x, back(x, k))


def roc(x, n):
    return each(lambda v, b: 100 * (v - b) / b, x, back(x, n))


def fit(w):
    """Intercept at the start, slope and sum of squared misses of the least-squares line."""
    n = len(w)
    mi, mv = (n - 1) / 2, math.fsum(w) / n
    slope = sum((i - mi) * (v - mv) for i, v in enumerate(w)) / sum((i - mi) ** 2 for i in range(n))
    start = mv - slope * mi
    return start, slope, math.fsum((v - start - slope * i) ** 2 for i, v in enumerate(w))


TYP = each(lambda h, l, c: (h + l + c) / 3, H, L, C)
MID = each(lambda h, l: (h + l) / 2, H, L)
RANGE = sub(H, L)
TR = [RANGE[0]] + [max(H[i] - L[i], abs(H[i] - C[i - 1]), abs(L[i] - C[i - 1])) for i in range(1, N)]
TR2 = [None] + TR[1:]


def atr(n):
    return wilder(TR, n)


def above(a, b):
    """1 where a crosses above b."""
    out = [None]
    for i in range(1, len(a)):
        four = (a[i - 1], b[i - 1], a[i], b[i])
        out.append(None if any(v is None for v in four) else float(a[i - 1] <= b[i - 1] and a[i] > b[i]))
    return out


golden = {}


def put(name, **outputs):
    for output, column in outputs.items():
        golden[name if output == "_" else name + "." + output] = column


# --- averages ---------------------------------------------------------------------------------------------------------
put("sma(close, 7)", _=sma(C, 7))
put("ema(close, 7)", _=ema(C, 7))
put("ema(high, 1)", _=H)
put("wma(close, 6)", _=wma(C, 6))
put("wilder(typical, 6)", _=wilder(TYP, 6))
put("sum(volume, 5)", _=total(V, 5))
put("highest(high, 9)", _=hi(H, 9))
put("lowest(low, 9)", _=lo(L, 9))
e1 = ema(C, 5)
e2, e3 = ema(e1, 5), ema(ema(e1, 5), 5)
put("dema(close, 5)", _=each(lambda a, b: 2 * a - b, e1, e2))
put("tema(close, 5)", _=each(lambda a, b, c: 3 * a - 3 * b + c, e1, e2, e3))
put("hull(close, 11)", _=wma(each(lambda a, b: 2 * a - b, wma(C, 5), wma(C, 11)), 3))
put("vwma(close, 6)", _=each(lambda a, b: a / b, total(each(lambda c, v: c * v, C, V), 6), total(V, 6)))
put("trima(close, 7)", _=sma(sma(C, 4), 4))
put("trima(close, 8)", _=sma(sma(C, 4), 5))
put("zlema(close, 9)", _=ema(each(lambda v, b: v + (v - b), C, back(C, 4)), 9))
g = C
chain = []
for _ in range(6):
    g = ema(g, 4)
    chain.append(g)
a = 0.6
put("t3(close, 4, 0.6)", _=each(lambda e3, e4, e5, e6: -a ** 3 * e6 + (3 * a * a + 3 * a ** 3) * e5
    + (-6 * a * a - 3 * a - 3 * a ** 3) * e4 + (1 + 3 * a + a ** 3 + 3 * a * a) * e3, *chain[2:]))
w = [math.exp(-((i - 0.85 * 7) ** 2) / (2 * (8 / 6) ** 2)) for i in range(8)]
put("alma(close, 8)", _=window(lambda x: sum(p * q for p, q in zip(w, x)) / sum(w), 8, C))
put("linreg(close, 8)", _=window(lambda x: fit(x)[0] + 7 * fit(x)[1], 8, C))

kama, er = [None] * N, [None] * N
for i in range(8, N):
    path = sum(abs(C[j] - C[j - 1]) for j in range(i - 7, i + 1))
    er[i] = abs(C[i] - C[i - 8]) / path
    sc = (er[i] * (2 / 3 - 2 / 31) + 2 / 31) ** 2
    last = C[i - 1] if kama[i - 1] is None else kama[i - 1]
    kama[i] = last + sc * (C[i] - last)
put("kama(close, 8)", _=kama, efficiency=er)
vidya = [None] * N
for i in range(6, N):
    moves = [C[j] - C[j - 1] for j in range(i - 5, i + 1)]
    k = abs(sum(moves)) / sum(abs(m) for m in moves)
    last = C[i - 1] if vidya[i - 1] is None else vidya[i - 1]
    vidya[i] = last + 2 / 11 * k * (C[i] - last)
put("vidya(close, 10, 6)", _=vidya)
frama, dim, d = [None] * N, [None] * N, 1
for i in range(9, N):
    n1 = (max(H[i - 4:i + 1]) - min(L[i - 4:i + 1])) / 5
    n2 = (max(H[i - 9:i - 4]) - min(L[i - 9:i - 4])) / 5
    n3 = (max(H[i - 9:i + 1]) - min(L[i - 9:i + 1])) / 10
    d = (math.log(n1 + n2) - math.log(n3)) / math.log(2)
    alpha = min(1, max(0.01, math.exp(-4.6 * (d - 1))))
    last = MID[i - 1] if frama[i - 1] is None else frama[i - 1]
    frama[i], dim[i] = alpha * MID[i] + (1 - alpha) * last, d
put("frama(11)", _=frama, dimension=dim)
ribbon = [ema(C, 4 + 3 * k) for k in range(4)]
order = [None if any(v is None for v in vs) else vs for vs in zip(*ribbon)]
put("ribbon(close, 4, 3, 4)", line1=ribbon[0], line4=ribbon[3], line5=[None] * N,
    rising=[None if v is None else float(v[0] > v[1] > v[2] > v[3]) for v in order],
    falling=[None if v is None else float(v[0] < v[1] < v[2] < v[3]) for v in order])

# --- bands and levels -------------------------------------------------------------------------------------------------
put("envelope(close, 6, 3)", middle=sma(C, 6), upper=each(lambda v: v * 1.03, sma(C, 6)),
    lower=each(lambda v: v * 0.97, sma(C, 6)))
m, s = sma(C, 9), dev(C, 9)
up, dn = each(lambda p, q: p + 2.5 * q, m, s), each(lambda p, q: p - 2.5 * q, m, s)
put("bollinger(close, 9, 2.5)", middle=m, upper=up, lower=dn, width=each(lambda u, l, c: (u - l) / c, up, dn, m),
    position=each(lambda u, l, c: (c - l) / (u - l), up, dn, C))
put("band_width(close, 9, 2.5)", _=each(lambda u, l, c: (u - l) / c, up, dn, m))
put("band_position(close, 9, 2.5)", _=each(lambda u, l, c: (c - l) / (u - l), up, dn, C))
put("keltner(close, 8, 6, 1.5)", middle=ema(C, 8), upper=each(lambda p, q: p + 1.5 * q, ema(C, 8), atr(6)),
    lower=each(lambda p, q: p - 1.5 * q, ema(C, 8), atr(6)))
put("donchian(8)", upper=hi(H, 8), lower=lo(L, 8), middle=each(lambda p, q: (p + q) / 2, hi(H, 8), lo(L, 8)))
put("atr_bands(close, 7, 1.5)", upper=each(lambda p, q: p + 1.5 * q, C, atr(7)),
    lower=each(lambda p, q: p - 1.5 * q, C, atr(7)))
MONTH = []
for day in DAY:  # days since 1970 to year and month (civil calendar, Hinnant)
    z = day + 719468
    era, doe = z // 146097, z % 146097
    yoe = (doe - doe // 1460 + doe // 36524 - doe // 146096) // 365
    doy = doe - (365 * yoe + yoe // 4 - yoe // 100)
    mp = (5 * doy + 2) // 153
    MONTH.append((yoe + era * 400 + (mp >= 10), mp + 3 if mp < 10 else mp - 9))
WEEK = [(day + 3) // 7 for day in DAY]


def before(period):
    """High, low and close of the period before that of each bar."""
    out = []
    for i in range(N):
        earlier = [p for p in period[:i] if p != period[i]]
        if not earlier:
            out.append((None, None, None))
            continue
        j = [k for k in range(i) if period[k] == earlier[-1]]
        out.append((max(H[k] for k in j), min(L[k] for k in j), C[j[-1]]))
    return [[v[k] for v in out] for k in range(3)]


for word, period in (("session", DAY), ("week", WEEK), ("month", MONTH)):
    ph, pl, pc = before(period)
    put(f"previous(period: {word})", high=ph, low=pl, close=pc)
ph, pl, pc = before(DAY)
P = each(lambda h, l, c: (h + l + c) / 3, ph, pl, pc)
put("floor_pivots", pivot=P, r1=each(lambda p, l: 2 * p - l, P, pl), s1=each(lambda p, h: 2 * p - h, P, ph),
    r2=each(lambda p, h, l: p + h - l, P, ph, pl), s2=each(lambda p, h, l: p - h + l, P, ph, pl),
    r3=each(lambda p, h, l: h + 2 * (p - l), P, ph, pl), s3=each(lambda p, h, l: l - 2 * (h - p), P, ph, pl))
P = each(lambda h, l, c: (h + l + 2 * c) / 4, ph, pl, pc)
put("floor_pivots(method: woodie)", pivot=P, r1=each(lambda p, l: 2 * p - l, P, pl),
    s2=each(lambda p, h, l: p - h + l, P, ph, pl))
put("floor_pivots(method: camarilla)", **{f"r{k}": each(lambda h, l, c: c + (h - l) * 1.1 / q, ph, pl, pc)
    for k, q in ((1, 12), (4, 2))}, s3=each(lambda h, l, c: c - (h - l) * 1.1 / 4, ph, pl, pc))
P = each(lambda h, l, c: (h + l + c) / 3, ph, pl, pc)
put("floor_pivots(method: fibonacci)", r1=each(lambda p, h, l: p + 0.382 * (h - l), P, ph, pl),
    s2=each(lambda p, h, l: p - 0.618 * (h - l), P, ph, pl), s3=each(lambda p, h, l: p - (h - l), P, ph, pl))
first = [min(k for k in range(N) if DAY[k] == DAY[i]) for i in range(N)]
put("session_levels", high=[max(H[first[i]:i + 1]) for i in range(N)], low=[min(L[first[i]:i + 1]) for i in range(N)],
    open=[O[first[i]] for i in range(N)],
    middle=[(max(H[first[i]:i + 1]) + min(L[first[i]:i + 1])) / 2 for i in range(N)])
oh = [max(H[first[i]:first[i] + 2]) if i - first[i] >= 2 else None for i in range(N)]
ol = [min(L[first[i]:first[i] + 2]) if i - first[i] >= 2 else None for i in range(N)]
put("opening_range(600)", high=oh, low=ol, middle=each(lambda p, q: (p + q) / 2, oh, ol),
    broke_up=each(lambda p, c: float(c > p), oh, C), broke_down=each(lambda p, c: float(c < p), ol, C))


def vwap(begin, k):
    out = []
    for i in range(N):
        if begin[i] is None:
            out.append(None)
            continue
        j = range(begin[i], i + 1)
        vol = sum(V[q] for q in j)
        mean = math.fsum(TYP[q] * V[q] for q in j) / vol
        out.append(mean + k * math.sqrt(math.fsum(V[q] * (TYP[q] - mean) ** 2 for q in j) / vol))
    return out


weekly = [min(k for k in range(N) if WEEK[k] == WEEK[i]) for i in range(N)]
put("vwap", value=vwap(first, 0), upper1=vwap(first, 1), lower2=vwap(first, -2))
put("vwap(typical, period: week)", value=vwap(weekly, 0), lower1=vwap(weekly, -1), upper2=vwap(weekly, 2))

# --- trend ------------------------------------------------------------------------------------------------------------
def middle(n):
    return each(lambda p, q: (p + q) / 2, hi(H, n), lo(L, n))


conv, base, lb = middle(4), middle(8), middle(14)
la = each(lambda p, q: (p + q) / 2, conv, base)
top, bottom = each(max, back(la, 6), back(lb, 6)), each(min, back(la, 6), back(lb, 6))
put("ichimoku(4, 8, 14, 6, 0.5, 3)", conversion_line=conv, base_line=base, lead_a=la, lead_b=lb, lagging=C,
    cloud_top=top, cloud_bottom=bottom, thickness=each(lambda p, q: abs(p - q), la, lb),
    thin_cloud=each(lambda p, q, r: float(abs(p - q) < 0.5 * r), la, lb, atr(14)),
    flat_edge=window(lambda w: float(max(w) == min(w)), 3, lb),
    above_cloud=each(lambda c, t: float(c > t), C, top), below_cloud=each(lambda c, t: float(c < t), C, bottom),
    lagging_above=each(lambda c, h, t: float(c > h and c > t), C, back(H, 6), back(top, 6)),
    lagging_below=each(lambda c, l, b: float(c < l and c < b), C, back(L, 6), back(bottom, 6)))

sar, long = [None] * N, [None] * N
rising = H[1] - H[0] >= L[0] - L[1]
stop, ep, af = (L[0], max(H[0], H[1]), 0.03) if rising else (H[0], min(L[0], L[1]), 0.03)
sar[1], long[1] = stop, float(rising)
for i in range(2, N):
    stop = stop + af * (ep - stop)
    stop = min(stop, L[i - 1], L[i - 2]) if rising else max(stop, H[i - 1], H[i - 2])
    if (L[i] <= stop) if rising else (H[i] >= stop):
        rising, stop, af = not rising, ep, 0.03
        ep = H[i] if rising else L[i]
    elif (H[i] > ep) if rising else (L[i] < ep):
        ep, af = (H[i] if rising else L[i]), min(0.25, af + 0.03)
    sar[i], long[i] = stop, float(rising)
put("psar(0.03, 0.03, 0.25)", value=sar, rising=long,
    turned_up=[None] * 2 + [float(long[i] > long[i - 1]) for i in range(2, N)],
    turned_down=[None] * 2 + [float(long[i] < long[i - 1]) for i in range(2, N)])

sup, side = [None] * N, [None] * N
fu = fl = None
r7 = atr(7)
for i in range(6, N):
    bu, bl = MID[i] + 1.5 * r7[i], MID[i] - 1.5 * r7[i]
    if fu is None:
        fu, fl, side[i] = bu, bl, float(C[i] >= MID[i])
    else:
        fu = bu if bu < fu or C[i - 1] > fu else fu
        fl = bl if bl > fl or C[i - 1] < fl else fl
        side[i] = float(C[i] >= fl) if side[i - 1] else float(C[i] > fu)
    sup[i] = fl if side[i] else fu
put("supertrend(7, 1.5)", value=sup, rising=side,
    turned_up=[None] * 7 + [float(side[i] > side[i - 1]) for i in range(7, N)],
    turned_down=[None] * 7 + [float(side[i] < side[i - 1]) for i in range(7, N)])

pdm = [None] + [H[i] - H[i - 1] if H[i] - H[i - 1] > L[i - 1] - L[i] and H[i] > H[i - 1] else 0.0 for i in range(1, N)]
mdm = [None] + [L[i - 1] - L[i] if L[i - 1] - L[i] > H[i] - H[i - 1] and L[i] < L[i - 1] else 0.0 for i in range(1, N)]
pdi = each(lambda p, t: 100 * p / t, wilder(pdm, 6), wilder(TR2, 6))
mdi = each(lambda p, t: 100 * p / t, wilder(mdm, 6), wilder(TR2, 6))
put("adx(6)", value=wilder(each(lambda p, q: 100 * abs(p - q) / (p + q), pdi, mdi), 6), plus=pdi, minus=mdi,
    cross_up=above(pdi, mdi), cross_down=above(mdi, pdi))
arup = window(lambda w: 100 * (10 - w[::-1].index(max(w))) / 10, 11, H)
ardn = window(lambda w: 100 * (10 - w[::-1].index(min(w))) / 10, 11, L)
put("aroon(10)", up=arup, down=ardn, oscillator=sub(arup, ardn))
vp = each(lambda p, q: p / q, total([None] + [abs(H[i] - L[i - 1]) for i in range(1, N)], 6), total(TR2, 6))
vm = each(lambda p, q: p / q, total([None] + [abs(L[i] - H[i - 1]) for i in range(1, N)], 6), total(TR2, 6))
put("vortex(6)", plus=vp, minus=vm, cross_up=above(vp, vm), cross_down=above(vm, vp))
put("chandelier(9, 2)", long=each(lambda p, q: p - 2 * q, hi(H, 9), atr(9)),
    short=each(lambda p, q: p + 2 * q, lo(L, 9), atr(9)))
end = window(lambda x: fit(x)[0] + 11 * fit(x)[1], 12, C)
miss = window(lambda x: fit(x)[2], 12, C)
put("regression_channel(close, 12, 1.5)", middle=end, upper=each(lambda p, q: p + 1.5 * math.sqrt(q / 12), end, miss),
    lower=each(lambda p, q: p - 1.5 * math.sqrt(q / 12), end, miss))
put("error_bands(close, 12, 1.5, 4)", middle=sma(end, 4),
    upper=sma(each(lambda p, q: p + 1.5 * math.sqrt(q / 10), end, miss), 4),
    lower=sma(each(lambda p, q: p - 1.5 * math.sqrt(q / 10), end, miss), 4))
avg = sma(C, 15)
slope = each(lambda d, r: d / (5 * r), change(avg, 5), atr(14))
dist = each(lambda d, r: d / r, sub(C, avg), atr(14))
stage, was = [], 0
for sl, di in zip(slope, dist):
    if sl is None or di is None:
        stage.append(None)
        continue
    now = 2 if sl > 0.05 and di > 0 else 4 if sl < -0.05 and di < 0 else {0: 0, 2: 3, 4: 1}[was]
    was = now if now in (2, 4) else was
    stage.append(float(now))
old = [None] + stage[:-1]
put("stage(15, 5, 0.05)", value=stage, slope=slope, distance=dist, advancing=each(lambda v: float(v == 2), stage),
    declining=each(lambda v: float(v == 4), stage),
    fresh_advance=[None if None in (v, b) else float(v == 2 and b != 2) for v, b in zip(stage, old)],
    fresh_decline=[None if None in (v, b) else float(v == 4 and b != 4) for v, b in zip(stage, old)])
put("choppiness(9)", _=each(lambda t, h, l: 100 * math.log10(t / (h - l)) / math.log10(9), total(TR, 9), hi(H, 9),
                            lo(L, 9)))

# --- momentum ---------------------------------------------------------------------------------------------------------
def rsi(x, n):
    d = change(x, 1)
    rise, fall = wilder(each(lambda v: max(v, 0.0), d), n), wilder(each(lambda v: max(-v, 0.0), d), n)
    return each(lambda p, q: 50.0 if p + q == 0 else 100.0 if q == 0 else 100 - 100 / (1 + p / q), rise, fall)


put("rsi(close, 7)", _=rsi(C, 7))
k = sma(each(lambda c, h, l: 100 * (c - l) / (h - l), C, hi(H, 8), lo(L, 8)), 2)
put("stochastic(8, 2, 4)", k=k, d=sma(k, 4), cross_up=above(k, sma(k, 4)), cross_down=above(sma(k, 4), k))
q = rsi(C, 6)
k = sma(each(lambda c, h, l: 50.0 if h == l else 100 * (c - l) / (h - l), q, hi(q, 7), lo(q, 7)), 2)
put("stoch_rsi(close, 6, 7, 2, 3)", k=k, d=sma(k, 3), cross_up=above(k, sma(k, 3)))
v = sub(ema(C, 5), ema(C, 9))
put("macd(close, 5, 9, 4)", value=v, signal=ema(v, 4), histogram=sub(v, ema(v, 4)), cross_up=above(v, ema(v, 4)),
    cross_down=above(ema(v, 4), v))
v = each(lambda p, q: 100 * (p - q) / q, ema(C, 5), ema(C, 9))
put("ppo(close, 5, 9, 4)", value=v, signal=ema(v, 4), histogram=sub(v, ema(v, 4)))
put("roc(close, 6)", _=roc(C, 6))
put("momentum(close, 6)", _=change(C, 6))
put("cci(9)", _=window(lambda w: (w[-1] - sum(w) / 9) / (0.015 * sum(abs(x - sum(w) / 9) for x in w) / 9), 9, TYP))
put("williams_r(9)", _=each(lambda c, h, l: -100 * (h - c) / (h - l), C, hi(H, 9), lo(L, 9)))
t = ema(ema(ema(C, 4), 4), 4)
put("trix(close, 4, 3)", value=roc(t, 1), signal=ema(roc(t, 1), 3))
d = change(C, 1)
v = each(lambda p, q: 100 * p / q, ema(ema(d, 8), 5), ema(ema(each(abs, d), 8), 5))
put("tsi(close, 8, 5, 3)", value=v, signal=ema(v, 3))
bp = [None] + [C[i] - min(L[i], C[i - 1]) for i in range(1, N)]
tr = [None] + [max(H[i], C[i - 1]) - min(L[i], C[i - 1]) for i in range(1, N)]
a3, a6, a12 = (each(lambda p, q: p / q, total(bp, n), total(tr, n)) for n in (3, 6, 12))
put("ultimate(3, 6, 12)", _=each(lambda p, q, r: 100 * (4 * p + 2 * q + r) / 7, a3, a6, a12))
v = each(lambda a, b, c, d: a + 2 * b + 3 * c + 4 * d, sma(roc(C, 10), 10), sma(roc(C, 15), 10), sma(roc(C, 20), 10),
         sma(roc(C, 30), 15))
put("kst(close, 5)", value=v, signal=sma(v, 5))
put("dpo(close, 10)", _=sub(back(C, 6), sma(C, 10)))
put("coppock(close, 5, 8, 6)", _=wma(each(lambda p, q: p + q, roc(C, 8), roc(C, 6)), 5))
put("cmo(close, 7)", _=window(lambda w: 100 * sum(w) / sum(abs(x) for x in w), 7, change(C, 1)))
fish, x0, f0 = [None] * N, 0.0, 0.0
for i in range(6, N):
    h, l = max(MID[i - 6:i + 1]), min(MID[i - 6:i + 1])
    x0 = 0.33 * 2 * ((MID[i] - l) / (h - l) - 0.5) + 0.67 * x0
    x0 = 0.999 if x0 > 0.99 else -0.999 if x0 < -0.99 else x0
    f0 = 0.5 * math.log((1 + x0) / (1 - x0)) + 0.5 * f0
    fish[i] = f0
put("fisher(midprice, 7)", value=fish, signal=back(fish, 1), cross_up=above(fish, back(fish, 1)))


def bell(x):
    return each(lambda a, b, c, d: (a + 2 * b + 2 * c + d) / 6, x, back(x, 1), back(x, 2), back(x, 3))


v = each(lambda p, q: p / q, total(bell(sub(C, O)), 5), total(bell(RANGE), 5))
put("rvi(5)", value=v, signal=bell(v))
put("elder_ray(7)", bulls=sub(H, ema(C, 7)), bears=sub(L, ema(C, 7)))
put("force(6)", _=ema(each(lambda d, v: d * v, change(C, 1), V), 6))
put("bop(6)", _=sma(each(lambda o, h, l, c: (c - o) / (h - l), O, H, L, C), 6))
put("awesome(4, 11)", value=sub(sma(MID, 4), sma(MID, 11)))
m, s = sma(C, 8), dev(C, 8)
ue = sma(each(lambda c, p, q: max(0.0, c - p - 1.2 * q) / (1.2 * q), C, m, s), 8)
de = sma(each(lambda c, p, q: max(0.0, p - 1.2 * q - c) / (1.2 * q), C, m, s), 8)
put("band_excess(close, 8, 1.2)", up=each(lambda p: 100 * p, ue), down=each(lambda p: -100 * p, de),
    contested=each(lambda p, q: float(p > 0 and q > 0), ue, de), no_down=each(lambda p, q: float(q == 0), ue, de),
    no_up=each(lambda p, q: float(p == 0), ue, de), only_up=each(lambda p, q: float(p > 0 and q == 0), ue, de),
    only_down=each(lambda p, q: float(q > 0 and p == 0), ue, de))

# --- volatility -------------------------------------------------------------------------------------------------------
put("true_range", _=TR)
put("atr(6)", value=atr(6), percent=each(lambda p, c: 100 * p / c, atr(6), C))
put("stdev(close, 6)", _=dev(C, 6))
ln = [None] + [math.log(C[i] / C[i - 1]) for i in range(1, N)]


def sample(w):
    mean = math.fsum(w) / len(w)
    return math.fsum((v - mean) ** 2 for v in w) / (len(w) - 1)


put("historical_volatility(close, 8, 250)", _=window(lambda w: 100 * math.sqrt(sample(w) * 250), 8, ln))
put("parkinson(8, 250)", _=window(lambda h, l: 100 * math.sqrt(sum(math.log(p / q) ** 2 for p, q in zip(h, l)) / 8
                                                             / (4 * math.log(2)) * 250), 8, H, L))
put("garman_klass(8, 250)", _=window(lambda o, h, l, c: 100 * math.sqrt(250 / 8 * sum(
    0.5 * math.log(h[i] / l[i]) ** 2 - (2 * math.log(2) - 1) * math.log(c[i] / o[i]) ** 2 for i in range(8))), 8,
    O, H, L, C))
over = [None] + [math.log(O[i] / C[i - 1]) for i in range(1, N)]
body = [math.log(C[i] / O[i]) for i in range(N)]
rs = [math.log(H[i] / O[i]) * math.log(H[i] / C[i]) + math.log(L[i] / O[i]) * math.log(L[i] / C[i]) for i in range(N)]
kk = 0.34 / (1.34 + 9 / 7)
put("yang_zhang(8, 250)", _=window(lambda g, b, r: 100 * math.sqrt(250 * (sample(g) + kk * sample(b)
                                                                         + (1 - kk) * sum(r) / 8)), 8, over, body, rs))
e = ema(RANGE, 6)
put("chaikin_volatility(6, 4)", _=roc(e, 4))
put("mass(5, 7)", _=total(each(lambda p, q: p / q, ema(RANGE, 5), ema(ema(RANGE, 5), 5)), 7))
put("ulcer(close, 7)", _=each(math.sqrt, sma(each(lambda c, h: (100 * (c - h) / h) ** 2, C, hi(C, 7)), 7)))

# --- volume -----------------------------------------------------------------------------------------------------------
def cumulated(start, f):
    out = [start]
    for i in range(1, N):
        out.append(f(out[-1], i))
    return out


put("obv", _=cumulated(0.0, lambda p, i: p + V[i] * ((C[i] > C[i - 1]) - (C[i] < C[i - 1]))))
clv = [((C[i] - L[i]) - (H[i] - C[i])) / (H[i] - L[i]) for i in range(N)]
ad = cumulated(clv[0] * V[0], lambda p, i: p + clv[i] * V[i])
put("ad", _=ad)
put("cmf(7)", _=window(lambda c, v: sum(p * q for p, q in zip(c, v)) / sum(v), 7, clv, V))
put("chaikin_oscillator(3, 7)", _=sub(ema(ad, 3), ema(ad, 7)))
mf = [None] + [TYP[i] * V[i] * ((TYP[i] > TYP[i - 1]) - (TYP[i] < TYP[i - 1])) for i in range(1, N)]
put("mfi(7)", _=window(lambda w: 100 * sum(x for x in w if x > 0) / sum(abs(x) for x in w), 7, mf))
put("pvt", _=cumulated(0.0, lambda p, i: p + V[i] * (C[i] - C[i - 1]) / C[i - 1]))
nvi = cumulated(1000.0, lambda p, i: p * C[i] / C[i - 1] if V[i] < V[i - 1] else p)
pvi = cumulated(1000.0, lambda p, i: p * C[i] / C[i - 1] if V[i] > V[i - 1] else p)
put("nvi(9)", value=nvi, signal=ema(nvi, 9))
put("pvi(9)", value=pvi, signal=ema(pvi, 9))
put("eom(6, 1000)", _=sma([None] + [(MID[i] - MID[i - 1]) * RANGE[i] / (V[i] / 1000) for i in range(1, N)], 6))
vf, trend, cm = [None] * N, None, None
for i in range(1, N):
    now = 1 if H[i] + L[i] + C[i] > H[i - 1] + L[i - 1] + C[i - 1] else -1
    cm = cm + RANGE[i] if now == trend else RANGE[i - 1] + RANGE[i]
    trend = now
    vf[i] = V[i] * abs(2 * (RANGE[i] / cm - 1)) * now * 100
v = sub(ema(vf, 5), ema(vf, 9))
put("klinger(5, 9, 4)", value=v, signal=ema(v, 4))
put("volume_oscillator(4, 9)", _=each(lambda p, q: 100 * (p - q) / q, sma(V, 4), sma(V, 9)))
vu = [None] + [V[i] if C[i] > C[i - 1] else 0.0 for i in range(1, N)]
vd = [None] + [V[i] if C[i] < C[i - 1] else 0.0 for i in range(1, N)]
put("up_down_volume(9)", value=each(lambda p, q: p / q if q else None, total(vu, 9), total(vd, 9)), up=total(vu, 9),
    down=total(vd, 9))
put("relative_volume(3)", _=[V[i] / ((V[i - 4] + V[i - 8] + V[i - 12]) / 3) if i >= 12 else None for i in range(N)])
import datetime
WHEN = [datetime.datetime(1970, 1, 1) + datetime.timedelta(minutes=t) for t in T]
put("clock", hour=[float(w.hour) for w in WHEN], weekday=[float(w.isoweekday()) for w in WHEN],
    day=[float(w.day) for w in WHEN], month=[float(w.month) for w in WHEN],
    session_minute=[float(t % 1440) for t in T])
dl = [V[i] * clv[i] for i in range(N)]
put("delta", value=[sum(dl[first[i]:i + 1]) for i in range(N)], bar=dl, estimated=[1.0] * N)
put("bought_sold", bought=[(v + d) / 2 for v, d in zip(V, dl)], sold=[-(v - d) / 2 for v, d in zip(V, dl)],
    estimated=[1.0] * N)

# --- statistics -------------------------------------------------------------------------------------------------------
put("zscore(close, 7)", _=each(lambda c, m, s: (c - m) / s, C, sma(C, 7), dev(C, 7)))
put("rank(close, 9)", _=window(lambda w: 100 * sum(x < w[-1] for x in w[:-1]) / 9, 10, C))
put("slope(close, 8)", _=window(lambda x: fit(x)[1], 8, C))


def pearson(x, y):
    mx, my = math.fsum(x) / len(x), math.fsum(y) / len(y)
    sxy = math.fsum((p - mx) * (q - my) for p, q in zip(x, y))
    return sxy / math.sqrt(math.fsum((p - mx) ** 2 for p in x) * math.fsum((q - my) ** 2 for q in y))


put("r_squared(close, 8)", _=window(lambda x: pearson(range(8), x) ** 2, 8, C))
lx = [None] + [math.log(X[i] / X[i - 1]) for i in range(1, N)]
put("correlation(close, 9)", value=window(pearson, 9, ln, lx),
    since=[None] * 9 + [T[i - 9] * 60e6 for i in range(9, N)])
put("correlation(close, 9, of: values)", value=window(pearson, 9, C, X),
    since=[None] * 8 + [T[i - 8] * 60e6 for i in range(8, N)])
put("beta(close, 9)", value=window(lambda x, y: sum((p - sum(x) / 9) * (q - sum(y) / 9) for p, q in zip(x, y))
                                   / sum((q - sum(y) / 9) ** 2 for q in y), 9, ln, lx),
    since=[None] * 9 + [T[i - 9] * 60e6 for i in range(9, N)])
rs = each(lambda p, q: 100 * p / q, C, X)
put("relative_strength(close, 6)", value=rs, average=sma(rs, 6), leading=each(lambda p, q: float(p > q), rs, sma(rs, 6)))
put("ratio", _=each(lambda p, q: p / q, C, X))
put("compare", close=X, open=[x - 1 for x in X], high=[x + 2 for x in X], low=[x - 3 for x in X])
put("spread(close, 0.25)", _=each(lambda p, q: p - 0.25 * q, C, X))

# --- out --------------------------------------------------------------------------------------------------------------
with open(pathlib.Path(__file__).with_name("golden.tsv"), "w", newline="\n") as file:
    file.write("\t".join(["time", "open", "high", "low", "close", "volume", "other", *golden]) + "\n")
    for i in range(N):
        row = [str(T[i])] + [repr(x[i]) for x in (O, H, L, C, V, X)]
        row += ["" if col[i] is None else "%.13g" % col[i] for col in golden.values()]
        file.write("\t".join(row) + "\n")
