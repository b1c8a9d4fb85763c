"""A capacitor that a van would need for a unit, by the unit's own plate."""

from dataclasses import dataclass

from outer_test.measurement import Record, quantity, say
from outer_test.visit import StockPart


@dataclass(frozen=True, slots=True)
class CarriedPart(Record):
    """The sections, µF, and the volts it must stand; `vac` is None where the plate does not tell."""

    uf: float = quantity("µF", 0.5, 1500, required=True)
    fan_uf: float | None = quantity("µF", 0.5, 200, doc="FAN section of a dual; absent on a single")
    vac: float | None = quantity("V a.c.", 100, 660)

    @property
    def words(self) -> str:
        """As its label has it.

        >>> CarriedPart(45, 5, 440).words, CarriedPart(5).words
        ('dual 45 + 5 µF 440 V', 'single 5 µF')
        """
        sections = f"single {say(self.uf)}" if self.fan_uf is None else f"dual {say(self.uf)} + {say(self.fan_uf)}"
        return f"{sections} µF" + ("" if self.vac is None else f" {say(self.vac)} V")

    def on(self, stock: tuple[StockPart, ...]) -> int:
        """How many pieces on a van serve as this: the same µF, run duty, no lower volts.

        >>> CarriedPart(5, vac=370).on((StockPart(uf=5, vac=440, count=3), StockPart(uf=5, vac=370, count=1), StockPart(uf=5, vac=250)))
        4
        """
        alike = (part for part in stock if (part.duty, part.uf, part.fan_uf) == ("run", self.uf, self.fan_uf))
        return sum(part.count for part in alike if part.vac >= (self.vac or 0))
