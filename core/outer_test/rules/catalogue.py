"""Every rule there is, collected from the files that own them."""

from importlib import import_module

from outer_test.judgement import Rule

# In the order of the round. By name, as a file may be called what its main function is called.
_NAMES = [
    "taken",
    "nameplate",
    "make_safe.absence",
    "make_safe.stored_energy",
    "look_over",
    "capacitors.fitted",
    "capacitors.bench",
    "capacitors.start",
    "capacitors.replacement",
    "capacitors.under_load",
    "contactor.coil",
    "contactor.poles",
    "contactor.replacement",
    "windings.leads",
    "windings.pairs",
    "windings.open",
    "windings.baseline",
    "windings.ground",
    "windings.part_to_ground",
    "windings.three_phase",
    "power_up.line_volts",
    "power_up.line_trace",
    "power_up.fuse",
    "power_up.through",
    "power_up.unbalance",
    "power_up.control_trace",
    "start_and_run.start",
    "start_and_run.kit",
    "start_and_run.running",
    "start_and_run.aux_heat",
    "defrost.coil_switch",
    "defrost.sensor",
    "defrost.valve_coil",
    "defrost.run_context",
    "defrost.board_lights",
    "defrost.board_swap",
]

FILES = tuple(import_module(f"outer_test.rules.{name}") for name in _NAMES)

RULES: dict[str, Rule] = {rule.name: rule for file in FILES for rule in vars(file).values() if isinstance(rule, Rule)}
