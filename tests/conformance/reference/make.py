#!/usr/bin/python3
"""Writes reference.json: answers of general numeric packages to the core's problems.

Debian packages python3-numpy and python3-scipy; `python3 tests/conformance/reference/make.py`.
Every problem is set up here on its own, from coordinates or energies, not from the core's equations:
lengths by scipy.optimize, stands by the stiffness matrix of the potential energy, modes by M, C, K.
"""

import json
import pathlib

import numpy as np
import scipy
from scipy.integrate import solve_ivp
from scipy.interpolate import PchipInterpolator
from scipy.optimize import curve_fit, least_squares, lsq_linear
from scipy.spatial.transform import Rotation

rng = np.random.default_rng(20240611)
CORNERS = ["FL", "FR", "RL", "RR"]


def near(centre, spread):
    return (np.array(centre) + rng.uniform(-spread, spread, 3)).round(2)


def norm(v):
    return np.linalg.norm(v)


# --- corner mechanism -------------------------------------------------------------------------


def rods_of(layout, p, links):
    """(body end, knuckle end) of every rod of fixed length."""
    arms = [("lowerFrontPivot", "lowerBallJoint"), ("lowerRearPivot", "lowerBallJoint")]
    if layout == "double-wishbone":
        arms += [("upperFrontPivot", "upperBallJoint"), ("upperRearPivot", "upperBallJoint")]
    if layout == "multi-link":
        return [(np.array(k["inner"]), np.array(k["outer"])) for k in links]
    return [(p[a], p[b]) for a, b in arms + [("tieRodInner", "tieRodOuter")]]


def solve_corner(layout, p, links, centre, bumps, camber, toe):
    rods = rods_of(layout, p, links)
    lengths = [norm(b - a) for a, b in rods]
    g, d = np.radians(camber), np.radians(toe)
    spin = np.array([np.sin(d) * np.cos(g), np.cos(d) * np.cos(g), -np.sin(g)])

    def residual(u, bump):
        R = Rotation.from_rotvec(u[3:]).as_matrix()
        at = lambda q: R @ (q - centre) + centre + u[:3]
        out = [u[2] - bump]
        out += [norm(at(b) - a) - L for (a, b), L in zip(rods, lengths)]
        if layout == "macpherson":
            axis = R @ (p["strutTop"] - p["strutBottom"])
            axis /= norm(axis)
            off = np.cross(axis, p["strutTop"] - at(p["strutBottom"]))
            # Three components of which two are independent: the least-squares solver does not mind.
            out += list(off)
        return np.array(out)

    rows = []
    for bump in bumps:
        u = np.zeros(6)
        for part in np.linspace(0, bump, 1 + max(2, int(abs(bump) // 5)))[1:]:
            fit = least_squares(
                residual, u, args=(part,), xtol=1e-15, ftol=1e-15, gtol=1e-15,
                x_scale=[1, 1, 1, 0.01, 0.01, 0.01],
            )
            assert norm(fit.fun) < 1e-7, fit
            u = fit.x
        R = Rotation.from_rotvec(u[3:]).as_matrix()
        s = R @ spin
        at = lambda q: R @ (q - centre) + centre + u[:3]
        row = {
            "bumpMm": bump,
            "camberDeg": np.degrees(np.arctan2(-s[2], np.hypot(s[0], s[1]))),
            "toeDeg": np.degrees(np.arctan2(s[0], s[1])),
            "trackChangeMm": u[1],
            "wheelbaseChangeMm": u[0],
        }
        if layout != "multi-link":
            front, rear, joint = p["lowerFrontPivot"], p["lowerRearPivot"], p["lowerBallJoint"]
            k = (rear - front) / norm(rear - front)
            across = lambda v: v - k * (k @ v)
            a, b = across(joint - front), across(at(joint) - front)
            angle = np.degrees(np.arctan2(k @ np.cross(a, b), a @ b))
            row["lowerTwistDeg"] = abs(angle) * (1 if at(joint)[2] > joint[2] else -1)
        if layout == "macpherson":
            row["damperLengthMm"] = norm(p["strutTop"] - at(p["strutBottom"]))
        rows.append(row)
    return rows


def corner_case(layout):
    p, links = {}, []
    if layout == "multi-link":
        anchors = [
            ([120, 380, 210], [30, 700, 200]), ([-160, 370, 205], [-30, 705, 195]),
            ([90, 430, 430], [20, 680, 470]), ([-110, 425, 425], [-20, 685, 465]),
            ([-190, 400, 290], [-150, 690, 300]),
        ]
        links = [{"inner": near(a, 12).tolist(), "outer": near(b, 12).tolist()} for a, b in anchors]
    else:
        p["lowerFrontPivot"] = near([150, 350, 200], 20)
        p["lowerRearPivot"] = near([-150, 350, 200], 20)
        p["lowerBallJoint"] = near([5, 715, 190], 15)
        p["tieRodInner"] = near([-130, 360, 235], 15)
        p["tieRodOuter"] = near([-140, 700, 225], 15)
        if layout == "double-wishbone":
            p["upperFrontPivot"] = near([100, 420, 480], 20)
            p["upperRearPivot"] = near([-120, 420, 470], 20)
            p["upperBallJoint"] = near([-15, 690, 500], 15)
        else:
            p["strutTop"] = near([-20, 560, 840], 15)
            p["strutBottom"] = near([0, 645, 370], 15)
    centre = near([0, 760, 310], 10)
    camber, toe = rng.uniform(-2, 1).__round__(3), rng.uniform(-0.3, 0.3).__round__(3)
    rows = solve_corner(layout, p, links, centre, [-55, -20, 30, 60], camber, toe)
    corner = {
        "layout": layout, "side": "left", "points": {k: v.tolist() for k, v in p.items()},
        "wheelCentre": centre.tolist(), "staticCamberDeg": camber, "staticToeDeg": toe,
    }
    if links:
        corner["links"] = links
    return {"corner": corner, "rows": rows}


# --- four corners: minimum of the potential energy ---------------------------------------------


def place(car):
    half = car["wheelbaseMm"] / 2
    tf, tr = car["trackFrontMm"] / 2, car["trackRearMm"] / 2
    return np.array([[1, half, tf], [1, half, -tf], [1, -half, tr], [1, -half, -tr]])


def random_car():
    value = lambda low, high: {c: round(rng.uniform(low, high), 2) for c in CORNERS}
    return {
        "wheelbaseMm": round(rng.uniform(2300, 3000)), "trackFrontMm": round(rng.uniform(1400, 1650)),
        "trackRearMm": round(rng.uniform(1400, 1650)), "loadsN": value(2200, 4800),
        "wheelRatesNPerMm": value(15, 60), "tyreRateNPerMm": round(rng.uniform(150, 350)),
        "antiRollNPerMm": {"front": round(rng.uniform(0, 25), 2), "rear": round(rng.uniform(0, 20), 2)},
        "motionRatio": value(0.55, 1.0),
    }


def influence(car):
    """Rows: corner; columns: perch. Energy of springs, bars and tyres in (z, b, c, hub rises)."""
    G = np.hstack([place(car), np.zeros((4, 4))])
    S = G.copy()  # change of hub to arch s_i = u_i - t_i
    for i in range(4):
        S[i, 3 + i] = -1
    K = np.zeros((7, 7))
    F = np.zeros((7, 4))
    for i, c in enumerate(CORNERS):
        k = car["wheelRatesNPerMm"][c]
        K += k * np.outer(S[i], S[i])
        F[:, i] += k * S[i] / car["motionRatio"][c]
        K[3 + i, 3 + i] += car["tyreRateNPerMm"]
    for (a, b), axle in zip([(0, 1), (2, 3)], ["front", "rear"]):
        difference = S[a] - S[b]
        # force ka (s_a - s_b) on each side: energy ka/2 (s_a - s_b)^2
        K += car["antiRollNPerMm"][axle] * np.outer(difference, difference)
    q = np.linalg.solve(K, F)
    return S @ q, -car["tyreRateNPerMm"] * q[3:]


def four_corner_case():
    car = random_car()
    perch = {c: round(rng.uniform(-15, 15), 2) for c in CORNERS}
    heights, loads = influence(car)
    e = np.array([perch[c] for c in CORNERS])
    # A hub pressed down by f sinks f / kt; its rise is minus that.
    return {
        "car": car, "perchMm": perch,
        "heightChangeMm": (heights @ e).tolist(), "loadChangeN": (loads @ e).tolist(),
    }


def bounded_case():
    rows = rng.normal(size=(7, 4)).round(4)
    b = (rng.normal(size=7) * 3).round(4)
    low, high = -rng.uniform(0.1, 1.5, 4).round(3), rng.uniform(0.1, 1.5, 4).round(3)
    x = lsq_linear(rows, b, (low, high), method="bvls", tol=1e-14).x
    return {"rows": rows.tolist(), "b": b.tolist(), "min": low.tolist(), "max": high.tolist(), "x": x.tolist()}


# --- ride ---------------------------------------------------------------------------------------


def quarter_case():
    q = {
        "sprungMassKg": round(rng.uniform(200, 550)), "unsprungMassKg": round(rng.uniform(25, 60)),
        "wheelRateNPerMm": round(rng.uniform(15, 60), 1), "tyreRateNPerMm": round(rng.uniform(150, 350)),
        "damperNsPerMm": round(rng.uniform(0.3, 4), 2),
    }
    m, u = q["sprungMassKg"], q["unsprungMassKg"]
    k, kt, c = q["wheelRateNPerMm"] * 1e3, q["tyreRateNPerMm"] * 1e3, q["damperNsPerMm"] * 1e3
    M = np.diag([m, u])
    K = np.array([[k, -k], [-k, k + kt]])
    C = np.array([[c, -c], [-c, c]])
    modes = modes_of(M, C, K)
    return {"car": q, "modes": modes}


def modes_of(M, C, K):
    n = len(M)
    A = np.block([[np.zeros((n, n)), np.eye(n)], [-np.linalg.solve(M, K), -np.linalg.solve(M, C)]])
    pairs = [l for l in np.linalg.eigvals(A) if l.imag > 1e-9]
    pairs.sort(key=abs)
    return [{"freqHz": abs(l) / (2 * np.pi), "dampingRatio": -l.real / abs(l)} for l in pairs]


def full_car_case():
    car = {
        "bodyMassKg": 1250, "pitchInertiaKgM2": 1900, "rollInertiaKgM2": 460, "wheelbaseMm": 2600,
        "massBehindFrontMm": 1080, "trackFrontMm": 1500, "trackRearMm": 1490,
        "unsprungMassKg": {"front": 40, "rear": 38}, "wheelRateNPerMm": {"front": 25, "rear": 24},
        "tyreRateNPerMm": 210, "antiRollNPerMm": {"front": 9, "rear": 5},
        "damperNsPerMm": {a: {"bump": c, "rebound": c} for a, c in [("front", 1.7), ("rear", 1.5)]},
    }
    road = {"shape": "hump", "heightMm": 50, "lengthMm": 1000, "side": "left", "speedKmh": 30}
    front = car["massBehindFrontMm"] / 1e3
    x = [front, front, front - 2.6, front - 2.6]
    y = [0.75, -0.75, 0.745, -0.745]
    axle = ["front", "front", "rear", "rear"]
    S = np.zeros((4, 7))
    for i in range(4):
        S[i, :3] = [1, x[i], y[i]]
        S[i, 3 + i] = -1
    M = np.diag([1250, 1900, 460, 40, 40, 38, 38]).astype(float)
    K = sum(car["wheelRateNPerMm"][axle[i]] * 1e3 * np.outer(S[i], S[i]) for i in range(4))
    C = sum(car["damperNsPerMm"][axle[i]]["bump"] * 1e3 * np.outer(S[i], S[i]) for i in range(4))
    for a, b in [(0, 1), (2, 3)]:
        K = K + car["antiRollNPerMm"][axle[a]] * 1e3 * np.outer(S[a] - S[b], S[a] - S[b])
    kt = car["tyreRateNPerMm"] * 1e3
    K = K + np.diag([0, 0, 0, kt, kt, kt, kt])
    speed = 30 / 3.6

    def ground(i, t):
        s = (speed * t - (0 if i < 2 else 2.6)) / 1.0
        return 0.05 * np.sin(np.pi * s) if i % 2 == 0 and 0 < s < 1 else 0.0

    def f(t, s):
        force = -K @ s[:7] - C @ s[7:]
        force[3:] += kt * np.array([ground(i, t) for i in range(4)])
        return np.concatenate([s[7:], np.linalg.solve(M, force)])

    times = [0.075, 0.15, 0.3, 0.6, 1.2, 2.4]
    run = solve_ivp(f, (0, 2.5), np.zeros(14), method="DOP853", t_eval=times, rtol=1e-10, atol=1e-12, max_step=0.002)
    states = [
        {"timeS": t, "bodyMm": s[0] * 1e3, "pitchDeg": np.degrees(s[1]), "rollDeg": np.degrees(s[2])}
        for t, s in zip(times, run.y.T)
    ]
    return {"car": car, "road": road, "modes": modes_of(M, C, K), "states": states}


def bounce_case():
    zeta, freq, start = rng.uniform(0.12, 0.5), rng.uniform(1, 2), rng.uniform(25, 50)
    t = np.arange(0, 2.5, 0.02)

    def decay(t, zeta, natural, a, b, rest):
        w = natural * np.sqrt(1 - zeta**2)
        return rest + np.exp(-zeta * natural * t) * (a * np.cos(w * t) + b * np.sin(w * t))

    natural = 2 * np.pi * freq
    # Let go from rest: the slope at the start is nothing.
    b = -start * zeta / np.sqrt(1 - zeta**2)
    x = (decay(t, zeta, natural, -start, b, 650) + rng.normal(0, 0.3, len(t))).round(3)
    best, _ = curve_fit(decay, t, x, [zeta, natural, -start, b, 650], xtol=1e-14, ftol=1e-14)
    return {
        "timeS": t.round(3).tolist(), "heightMm": x.tolist(),
        "dampingRatio": best[0], "naturalFreqHz": best[1] / (2 * np.pi),
    }


# --- progressive spring -------------------------------------------------------------------------


def table_case():
    lengths = np.sort(rng.uniform(160, 340, 7).round(1))
    forces = np.cumsum(rng.uniform(60, 1400, 7).round())[::-1]
    curve = PchipInterpolator(lengths, forces)
    at = np.linspace(lengths[0], lengths[-1], 23)[1:-1].round(3)
    return {
        "points": [{"lengthMm": l, "forceN": f} for l, f in zip(lengths.tolist(), forces.tolist())],
        "lengthMm": at.tolist(), "forceN": curve(at).tolist(), "rateNPerMm": (-curve.derivative()(at)).tolist(),
    }


reference = {
    "made": f"numpy {np.__version__}, scipy {scipy.__version__}",
    "corners": [corner_case(layout) for layout in ["double-wishbone", "macpherson", "multi-link"] for _ in range(4)],
    "fourCorner": [four_corner_case() for _ in range(6)],
    "boundedLeastSquares": [bounded_case() for _ in range(8)],
    "quarterCar": [quarter_case() for _ in range(6)],
    "fullCar": full_car_case(),
    "bounce": [bounce_case() for _ in range(4)],
    "springTable": [table_case() for _ in range(4)],
}


def lines(value):
    """A case a line: short enough to read, long enough to compare."""
    if isinstance(value, list):
        return "[\n" + ",\n".join(json.dumps(case) for case in value) + "\n]"
    return json.dumps(value)


text = "{\n" + ",\n".join(f'"{name}": {lines(value)}' for name, value in reference.items()) + "\n}\n"
pathlib.Path(__file__).with_name("reference.json").write_text(text)
