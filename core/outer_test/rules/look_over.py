"""What is judged by looking: the capacitor's case, contactor faces, wiring, coil, sensor (handbook sections 5, 6 and 9)."""

from outer_test.judgement import Finding, Rule, Verdict, judged

CAP_CASE = Rule("cap-case", "Capacitor case", "common practice, no source", "T")
FACES = Rule("faces", "Contactor faces", "common practice, no source", "T")
SENSOR_SEAT = Rule("sensor-seat", "Coil sensor in its well", "common practice, no source", "T")
BUTTON_UP = Rule("button-up", "Buttoned up", "common practice, no source", "T")
LOOK_OVER = Rule("look-over", "Look over", "common practice, no source", "T")

Judgement = tuple[Verdict, str, str]
_GOOD, _WATCH, _BAD = Verdict.GOOD, Verdict.WATCH, Verdict.BAD

_LOOKED: dict[str, tuple[Rule, dict[str, Judgement]]] = {
    "look.capacitor.case": (
        CAP_CASE,
        {
            "flat": (_GOOD, "A flat top is normal. A good look does not prove it: measure it.", ""),
            "dished": (_GOOD, "A slightly dished top is normal. A good look does not prove it: measure it.", ""),
            "bulged": (_BAD, "The top is pushed out: its pressure disconnect has worked. Bad whatever it reads.", "Replace it."),
            "leaking": (_BAD, "Oil is out: bad whatever it reads.", "Replace it, and wipe up the oil with gloves on."),
        },
    ),
    "look.contactor.faces": (
        FACES,
        {
            "clean": (_GOOD, "Clean faces.", ""),
            "blackened": (_GOOD, "Blackened faces are normal wear.", ""),
            "pitted": (_WATCH, "Pitted: the drop across each closed pole tells whether it matters.", "Measure the drop under load."),
            "discoloured": (_WATCH, "A discoloured bar has run hot.", "Measure the drop under load, look for a loose terminal."),
            "burnt": (_BAD, "Burnt faces.", "Replace the contactor."),
            "welded": (_BAD, "Welded: this unit cannot be switched off by its own control.", "Replace the contactor."),
        },
    ),
    "look.contactor.insects": (
        LOOK_OVER,
        {
            "none": (_GOOD, "No insects in the contactor.", ""),
            "found": (_WATCH, "Insects between the faces keep a pole open or make it chatter.", "Power off, clean it out, look at the faces."),
        },
    ),
    "look.wiring": (
        LOOK_OVER,
        {
            "sound": (_GOOD, "Wiring and terminals look sound.", ""),
            "rubbed": (_WATCH, "Rubbed insulation finds metal sooner or later.", "Sleeve or reroute it."),
            "burnt": (_BAD, "A burnt wire or terminal has run hot.", "Cut back to clean copper and renew the terminal; find why it ran hot."),
            "loose": (_WATCH, "A loose terminal heats.", "Tighten it dead, to the maker's torque where printed."),
        },
    ),
    "look.coil.face": (
        LOOK_OVER,
        {
            "clear": (_GOOD, "The coil face is clear.", ""),
            "dirty": (_WATCH, "A dirty coil raises amps and keeps frost.", "Clean it, then read the amps."),
            "frosted": (_GOOD, "Even frost in heating weather is normal until defrost is due.", ""),
            "iced": (_WATCH, "Iced over: defrost is late, failing, or the charge is low.", "It is evidence: test switch, sensors and board before it is thawed; then thaw it, power off, never chip."),
        },
    ),
    "button.terminals": (
        BUTTON_UP,
        {
            "tight": (_GOOD, "Terminals are tight, tugged dead.", ""),
            "loose": (_BAD, "A loose terminal heats.", "Tighten it dead, to the maker's torque where printed."),
        },
    ),
    "button.sensors": (
        BUTTON_UP,
        {
            "tied": (_GOOD, "Sensors are seated and tied.", ""),
            "loose": (_BAD, "A sensor that slips out lets the coil ice.", "Push it home and tie it."),
            "none": (_GOOD, "This unit has none to tie.", ""),
        },
    ),
    "button.panels": (
        BUTTON_UP,
        {
            "on": (_GOOD, "Panels are on.", ""),
            "off": (_WATCH, "A panel is off: live parts are open to touch.", "Put it on, or put it on the list."),
        },
    ),
    "button.final_run": (
        BUTTON_UP,
        {
            "good": (_GOOD, "The final run was as it should be.", ""),
            "trouble": (_BAD, "The final run showed trouble.", "Go back to the station it points to."),
        },
    ),
    "look.sensor.seat": (
        SENSOR_SEAT,
        {
            "seated": (_GOOD, "The coil sensor is fully in its well or clip.", ""),
            "slipped": (_BAD, "Slipped out it reads air, and the coil ices.", "Push it fully home and tie it."),
        },
    ),
}  # fmt: skip

_LOOKED["look.contactor2.faces"] = _LOOKED["look.contactor.faces"]


def look_over(point: str, word: str) -> Finding | None:
    """Judge a thing seen, or None where it is only recorded. Source: [T] common practice.

    >>> look_over("look.capacitor.case", "bulged").verdict.value
    'bad'
    >>> look_over("look.board.lights", "dark") is None
    True
    """
    if point not in _LOOKED:
        return None
    rule, words = _LOOKED[point]
    verdict, why, step = words[word]
    return judged(point, rule, verdict, why, shown=word, next=step)
