"""A plate figure that cannot be read, recovered from the others: the rule `plate-infer` (handbook section 3)."""

from dataclasses import dataclass

from outer_test.nameplate.plate import Plate

# NEC 240.6(A), from memory.
STANDARD_SIZES = (15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400)


@dataclass(frozen=True, slots=True)
class Recovered:
    """An interval a figure must lie in, A, and how it was found. `low` above `high`: the plate's figures disagree."""

    low: float
    high: float
    how: str

    @property
    def agrees(self) -> bool:
        """Whether there is such a figure at all."""
        return self.low <= self.high


def last_digit(number: float) -> float:
    """The weight of the last digit printed of a figure.

    >>> last_digit(23.6), last_digit(24)
    (0.1, 1)
    """
    decimals = len(f"{number:g}".partition(".")[2])
    return 10**-decimals if decimals else 1


def recovered_rla(plate: Plate) -> Recovered | None:
    """RLA from MCA and MOP, each within one of the last printed digit; None where nothing gives it, or where a selection current
    is printed or unreadable, for then it is that which is recovered.

    RLA = (MCA − the fans) ÷ 1.25; RLA ≥ (MOP − the fans) ÷ 2.25, not where MOP is 15 A or the smallest size not below MCA;
    RLA < (next size − the fans) ÷ 1.75, for makers print less than they may. Source: [D from NEC 440.33, 440.22].

    >>> from outer_test.nameplate.plate import Fan
    >>> found = recovered_rla(Plate(mca=23.6, mop=40, fan=Fan(fla=1.2)))
    >>> round(found.low, 2), round(found.high, 2)
    (17.76, 18.08)
    """
    if plate.branch_selection_a is not None or "branch_selection_a" in plate.unreadable or plate.hz == 50:
        return None
    if plate.fan.fla is None or (plate.mca is None and plate.mop is None):
        return None
    fans, slack = plate.fan.fla * plate.fan.count, last_digit(plate.fan.fla) * plate.fan.count
    low, high, from_ = 0.0, float("inf"), []
    if plate.mca is not None:
        digit = last_digit(plate.mca)
        low = (plate.mca - digit - fans - slack) / 1.25
        high = (plate.mca + digit - fans + slack) / 1.25
        from_.append("MCA")
    if plate.mop is not None and plate.mop in STANDARD_SIZES:
        least = next((size for size in STANDARD_SIZES if size >= max(15.0, plate.mca or 0)), 15)
        if plate.mop > max(15, least):
            low = max(low, (plate.mop - fans - slack) / 2.25)
        above = next((size for size in STANDARD_SIZES if size > plate.mop), None)
        if above is not None:
            high = min(high, (above - fans + slack) / 1.75)
        from_.append("MOP")
    if high == float("inf"):
        return None
    return Recovered(round(low, 3), round(high, 3), f"recovered from {' and '.join(from_)}")


def recovered_fla(plate: Plate) -> Recovered | None:
    """One outdoor fan's FLA from MCA, MOP and RLA, each within one of the last printed digit; None where nothing gives it.

    The fans = MCA − 1.25 × RLA (or the selection current where printed); ≥ MOP − 2.25 × it, and < the next size − 1.75 × it, as
    for `recovered_rla`. Two fans are taken as alike. Source: [D from NEC 440.33, 440.22].

    >>> from outer_test.nameplate.plate import Compressor
    >>> found = recovered_fla(Plate(mca=23.6, compressor=Compressor(rla=17.9)))
    >>> round(found.low, 2), round(found.high, 2)
    (1.0, 1.45)
    """
    most = plate.branch_selection_a or plate.compressor.rla
    if most is None or "branch_selection_a" in plate.unreadable or plate.hz == 50 or plate.mca is None:
        return None
    slack, digit = last_digit(most), last_digit(plate.mca)
    low = max(plate.mca - digit - 1.25 * (most + slack), 0.0)
    high = plate.mca + digit - 1.25 * (most - slack)
    from_ = ["MCA"]
    if plate.mop is not None and plate.mop in STANDARD_SIZES:
        least = next((size for size in STANDARD_SIZES if size >= max(15.0, plate.mca)), 15)
        if plate.mop > max(15, least):
            low = max(low, plate.mop - 2.25 * (most + slack))
        above = next((size for size in STANDARD_SIZES if size > plate.mop), None)
        if above is not None:
            high = min(high, above - 1.75 * (most - slack))
        from_.append("MOP")
    fans = plate.fan.count
    return Recovered(round(low / fans, 3), round(high / fans, 3), f"recovered from {' and '.join(from_)}")
