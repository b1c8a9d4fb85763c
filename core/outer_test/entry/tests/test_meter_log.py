"""A meter's log read as Python's own csv reads it, with a spreadsheet's quirks: byte-order mark, semicolons, decimal commas."""

import csv
import io
import unittest
from datetime import UTC

from hypothesis import given
from hypothesis import strategies as st

from outer_test.entry import LogRow, Mapping, RowProblem, delimiter_of, point_named, read_rows, read_time

MAPPING = Mapping(value="value", at="at", serial="serial", point="point", sign="sign")


def rows(text: str, mapping: Mapping = MAPPING) -> list[LogRow | RowProblem]:
    return list(read_rows(iter(io.StringIO(text, newline="")), mapping))


class Rows(unittest.TestCase):
    def test_a_spreadsheets_quirks(self) -> None:
        for text in (
            "serial,at,point,value,sign\r\nTH-1,2027-01-14 09:30,herm,50.4,uF\r\n",
            "\ufeffserial;at;point;value;sign\nTH-1;2027-01-14 09:30;herm;50,4;µF\n",
            'serial\tat\tpoint\tvalue\tsign\n"TH-1"\t"2027-01-14 09:30"\therm\t50.4\tuF\n\n',
            'serial,at,point,value,sign\n\'TH-1,2027-01-14 09:30:00,"Compressor section, C to HERM",50.4,\n',
        ):
            (found,) = rows(text)
            assert isinstance(found, LogRow), found
            self.assertEqual((found.serial, found.point, found.value), ("TH-1", "cap.herm.uf", "50.4"))
            self.assertEqual(found.at.isoformat(), "2027-01-14T09:30:00+00:00")

    def test_what_is_wrong_is_told_by_line_and_column(self) -> None:
        text = "serial,at,point,value,sign\nA,2027-01-14,herm,50.4,uF\nA,soon,herm,50.4,uF\nA,2027-01-14,nose,50.4,uF\nA,2027-01-14,herm,much,uF\nA,2027-01-14,herm,4500,uF\nA,2027-01-14\n"
        found = rows(text)
        self.assertIsInstance(found[0], LogRow)
        self.assertEqual(
            [(one.line, one.column) for one in found[1:] if isinstance(one, RowProblem)],
            [(3, "at"), (4, "point"), (5, "value"), (6, "value"), (7, "point")],
        )

    def test_fixed_point_own_names_and_units(self) -> None:
        text = "when,display,name\n01/02/2027 10:00,52.1,Cap A\n"
        fixed = Mapping(value="display", at="when", fixed_point="cap.fan.uf", fixed_sign="µF")
        named = Mapping(value="display", at="when", point="name", names={"Cap A": "cap.herm.uf"})
        day_first = Mapping(value="display", at="when", fixed_point="cap.fan.uf", day_first=True)
        self.assertEqual([getattr(rows(text, one)[0], "point", None) for one in (fixed, named)], ["cap.fan.uf", "cap.herm.uf"])
        self.assertEqual([row.at.month for one in (fixed, day_first) if isinstance(row := rows(text, one)[0], LogRow)], [1, 2])
        kilo = rows(
            "when,display,u\n2027-01-14,1.2,kΩ\n", Mapping(value="display", at="when", sign="u", fixed_point="defrost.coil_sensor.ohm")
        )
        self.assertEqual(getattr(kilo[0], "value", kilo[0]), "1200")

    def test_delimiters_and_names(self) -> None:
        self.assertEqual(delimiter_of("a\tb"), "\t")
        self.assertEqual(point_named("gnd", {}), None)  # means three points at once

    def test_times(self) -> None:
        for text in ("", "yesterday", "2027-13-01", "99/99/2027", "0001-01-01"):
            self.assertIsNone(read_time(text, False, UTC), text)

    @given(
        st.lists(st.lists(st.text(alphabet=st.characters(blacklist_categories=["Cs"]), max_size=12), min_size=5, max_size=5), max_size=6)
    )
    def test_no_text_makes_it_fall_over(self, cells: list[list[str]]) -> None:
        into = io.StringIO(newline="")
        csv.writer(into).writerows([["serial", "at", "point", "value", "sign"], *cells])
        for found in rows(into.getvalue()):
            self.assertIsInstance(found, LogRow | RowProblem)

    @given(st.text(max_size=300))
    def test_nor_does_a_file_that_is_no_csv(self, text: str) -> None:
        for found in rows(text):
            self.assertIsInstance(found, LogRow | RowProblem)
