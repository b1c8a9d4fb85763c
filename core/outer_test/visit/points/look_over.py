"""What is looked at before anything is measured."""

from outer_test.judgement import Part
from outer_test.visit.points.record import Point

LOOK_OVER = (
    Point(
        "look.capacitor.case", "look", "any", Part.RUN_CAPACITOR, "Capacitor case", "case",
        "Look at the top and the seam. A good look does not prove it.",
        choices_text="flat dished bulged leaking", say="case|cap case",
        tells_of=("capacitor", "capacitor_herm", "capacitor_fan"),
    ),
    Point(
        "look.contactor.faces", "look", "any", Part.CONTACTOR, "Contactor faces", "faces",
        "Look between the open faces, power off.",
        choices_text="clean blackened pitted discoloured burnt welded", say="faces",
        tells_of=("contactor",),
    ),
    Point(
        "look.contactor.insects", "look", "any", Part.CONTACTOR, "Insects in the contactor", "insects",
        "Look under the armature and between the faces.",
        choices_text="none found", say="insects|bugs|ants",
        tells_of=("contactor",),
    ),
    Point(
        "look.wiring", "look", "any", Part.WIRING, "Wires and terminals", "wiring",
        "Rubbed on sheet metal, burnt, or loose? Tug each terminal, dead.",
        choices_text="sound rubbed burnt loose", say="wiring|wires",
    ),
    Point(
        "look.coil.face", "look", "any", Part.COIL, "Coil face", "coil",
        "Dirt, frost or ice on the outdoor coil.",
        choices_text="clear dirty frosted iced", say="coil face|coil",
    ),
    Point(
        "look.sensor.seat", "look", "any", Part.COIL_SENSOR, "Coil sensor's seat", "sensor",
        "Fully in its well or clip, and tied?",
        choices_text="seated slipped", say="sensor",
    ),
    Point(
        "look.board.lights", "look", "any", Part.DEFROST_BOARD, "Board lights", "lights",
        "Lit with the disconnect out means control voltage from indoors.",
        choices_text="dark steady flashing", needed=False, say="lights",
    ),
    Point(
        "look.board.colour", "look", "any", Part.DEFROST_BOARD, "Board light, colour", "colour",
        "The light that flashes.",
        choices_text="red amber green blue white", needed=False, say="light colour|colour",
    ),
    Point(
        "look.board.flashes", "look", "any", Part.DEFROST_BOARD, "Board light, flashes", "flashes",
        "Count one group, twice. 0 is lit and steady.",
        needed=False, counts=True, say="flashes|flash",
    ),
)  # fmt: skip
