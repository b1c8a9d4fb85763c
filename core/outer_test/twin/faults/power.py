"""What can be wrong between the supply and the compressor's terminals: breaker, wiring, disconnect, fuses, contactor."""

from outer_test.judgement import Part
from outer_test.twin.faults.fault import Fault, Variant, each, fault, times, way
from outer_test.twin.faults.key import FaultKey as K
from outer_test.twin.unit import BREAKER, FEEDER, FUSE, POLE, WHIP

_OPEN = 1e9
_BOTH = {BREAKER[1]: _OPEN, BREAKER[2]: _OPEN, BREAKER[3]: _OPEN}
_BURNT_WIRE = {"look.wiring": {"sound": 0.4, "burnt": 0.5, "loose": 0.1}}
_CONTACTOR = "Replace the contactor."


def _poles(ohm: float) -> tuple[Variant, Variant]:
    """These ohms in pole 1, or in pole 2; a single-pole contactor has a bar there, which does not wear."""
    return way({POLE[1]: ohm}), Variant(1.0, lambda unit: {POLE[1 if unit.plate.contactor.poles == 1 else 2]: ohm})


POWER: tuple[Fault, ...] = (
    fault(K.BREAKER_TRIPPED, Part.BREAKER, "The indoor breaker has tripped or is off.", "Look at its handle; 0 V at the disconnect.",
          "Found sound dead first: it tripped for a reason.", way({**_BOTH, "breaker.tripped": 1}, 0.8), way({**_BOTH, "breaker.off": 1}, 0.2)),
    fault(K.BREAKER_WORN, Part.BREAKER, "The indoor breaker does not hold, or one of its poles does not pass.",
          "Volts before and after each of its poles; the peak well under its size when it trips.", "An electrician's work.",
          way({BREAKER[1]: _OPEN}), way({BREAKER[2]: _OPEN}), way({"breaker.tripped": 1, "breaker.worn": 1, **_BOTH})),
    fault(K.SUPPLY_LOST, Part.SUPPLY, "Line voltage is lost before the disconnect.", "0 V at the disconnect's line side, the breaker on.",
          "Follow it back point by point; an electrician's work beyond the disconnect.", way({FEEDER[1]: _OPEN, FEEDER[2]: _OPEN, FEEDER[3]: _OPEN})),
    fault(K.LEG_LOST, Part.SUPPLY, "One leg of the supply is lost before the disconnect.", "Each leg to ground, the contactor open.",
          "Follow it back point by point; an electrician's work beyond the disconnect.", *each(_OPEN, FEEDER[1], FEEDER[2])),
    fault(K.LOW_LINE, Part.SUPPLY, "Line voltage is low.", "L1 to L2 at the disconnect, with the unit off and running.",
          "The utility or an electrician.", *times("supply.volts", 0.72, 0.8, 0.86)),
    fault(K.DISCONNECT_OPEN, Part.DISCONNECT, "The disconnect itself does not pass the voltage.",
          "Volts on its line side and none on its load side, its fuses through.", "Power off at the breaker; look at its blades.",
          *each(_OPEN, f"blade {FUSE[1]}", f"blade {FUSE[2]}")),
    fault(K.DISCONNECT_HOT, Part.DISCONNECT, "A blade or joint in the disconnect is poor: it heats and starves the start.",
          "Volts across it with the unit running; discoloured metal.", "Power off at the breaker; clean or replace the disconnect.",
          *each(1.5, f"blade {FUSE[1]}", f"blade {FUSE[2]}"), *each(0.5, f"blade {FUSE[1]}"), looks={"look.wiring": {"sound": 0.5, "burnt": 0.4, "loose": 0.1}}),
    fault(K.FUSE_BLOWN, Part.FUSE, "A fuse in the disconnect is blown.", "Ohms out of circuit, or line volts across it under load.",
          "Find what blew it first, dead; then another of the same size.", *each(_OPEN, FUSE[1], FUSE[2])),
    fault(K.WHIP_OPEN, Part.WIRE, "The wire between disconnect and contactor is open.", "Volts at the disconnect's load side and none at the contactor.",
          "Power off, prove dead, look at the whip and its terminals.", *each(_OPEN, WHIP[1], WHIP[2]), looks=_BURNT_WIRE),
    fault(K.WHIP_JOINT, Part.WIRE, "A joint at the contactor or in the whip is poor: it heats and starves the start.",
          "Line volts at the contactor sag far more than at the disconnect; a discoloured screw.", "Power off, prove dead, cut back and make the joint new.",
          *each(1.5, WHIP[1], WHIP[2]), *each(0.5, WHIP[1]), looks={"look.wiring": {"sound": 0.3, "burnt": 0.4, "loose": 0.3}}),
    fault(K.COIL_OPEN, Part.CONTACTOR, "The contactor's coil is open.", "Coil ohms with its leads off: OL.", _CONTACTOR, way({"contactor.coil.ohm": _OPEN})),
    fault(K.COIL_SHORTED, Part.CONTACTOR, "The contactor's coil is shorted; it pulls the control voltage down.", "Coil ohms with its leads off: under 3 Ω.",
          "Replace the contactor, then look at the control fuse.", way({"contactor.coil.ohm": 0.6, "transformer.R–indoor.F": _OPEN}, 0.5),
          way({"contactor.coil.ohm": 0.6}, 0.3), way({"contactor.coil.ohm": 1.6}, 0.3)),
    fault(K.STUCK_OPEN, Part.CONTACTOR, "The contactor is mechanically stuck: volts on a sound coil and no pull-in.",
          "22 V and over on a sound coil, armature out.", "Clear insects and dirt; else replace the contactor.", way({"contactor.stuck": 1}),
          looks={"look.contactor.insects": {"none": 0.7, "found": 0.3}}),
    fault(K.PITTED, Part.CONTACTOR, "A contactor pole does not close: pitted or burnt faces.", "Line voltage across the pole with the armature in.",
          _CONTACTOR, *_poles(_OPEN), *_poles(60.0), looks={"look.contactor.faces": {"pitted": 0.5, "burnt": 0.42, "clean": 0.04}}),
    fault(K.INSECT, Part.CONTACTOR, "Insects keep the contactor's faces apart.", "They are seen between the faces.",
          "Power off and proved dead, clean the insects out, then look at the faces.", *_poles(_OPEN), *_poles(60.0), way({"contactor.stuck": 1}, 0.6),
          looks={"look.contactor.insects": {"found": 0.97}}),
    fault(K.WELDED, Part.CONTACTOR, "The contactor is welded shut.", "The armature stays in, and the load side alive, with no call.", _CONTACTOR,
          way({"contactor.welded": 1}), looks={"look.contactor.faces": {"welded": 0.97}}),
    fault(K.WORN, Part.CONTACTOR, "A contactor pole drops too much: worn faces or a loose screw.", "Volts across the closed pole under load, with amps.",
          "Tighten dead and read it again; then the contactor.", *_poles(0.03), *_poles(0.2),
          looks={"look.contactor.faces": {"pitted": 0.5, "discoloured": 0.2, "burnt": 0.1, "blackened": 0.2}}),
    fault(K.WEAK_PULL, Part.CONTACTOR, "The contactor pulls in only with more than its rated share of volts: a weak or dirty armature.",
          "It chatters or hesitates with 22 V and over on its coil.", "Clean it; else replace the contactor.", way({"contactor.pull_in": 1.6})),
    fault(K.SECOND_COIL_OPEN, Part.SECOND_CONTACTOR, "The second contactor's coil is open or shorted.", "Its coil's ohms with the leads off.",
          "Replace the second contactor.", way({"contactor2.coil.ohm": _OPEN}, 0.7), way({"contactor2.coil.ohm": 0.6}, 0.3)),
    fault(K.SECOND_PITTED, Part.SECOND_CONTACTOR, "A pole of the second contactor does not close.", "Line voltage across its pole with its armature in.",
          "Replace the second contactor.", way({"contactor2.L1–contactor2.T1": _OPEN}), looks={"look.contactor2.faces": {"pitted": 0.5, "burnt": 0.4}}),
)  # fmt: skip
