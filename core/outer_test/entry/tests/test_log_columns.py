"""A log's heading row and columns, found by what stands in them. The files are made up in the shapes that loggers write."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from outer_test.entry import LogRow, Mapping, look_at, read_rows

PREAMBLE = "Logger;blue 9\nStarted;2027-01-14 09:00\nOperator;S. Ames\n\n"
ROWS = "14/01/2027;09:30;S-1;herm;50,4;uF\n15/01/2027;09:31;s-1;fan;7,5;uF\n"


def read(text: str, heading: int | None = None) -> list[object]:
    return list(read_rows(iter(text.splitlines(keepends=True)), look_at(text, ["S-1"], heading).mapping))


class Columns(unittest.TestCase):
    def guess(self, text: str) -> Mapping:
        return look_at(text, ["S-1"]).mapping

    def test_a_heading_under_a_preamble(self) -> None:
        head = look_at(PREAMBLE + "Date;Time;Asset;Test;Reading;Unit\n" + ROWS, ["S-1"])
        self.assertEqual((head.heading, head.columns), (5, ("Date", "Time", "Asset", "Test", "Reading", "Unit")))
        self.assertEqual(head.lines[0], "Logger;blue 9")
        self.assertEqual(head.samples[4], ("50,4", "7,5"))
        guess = head.mapping
        self.assertEqual(
            (guess.at, guess.clock, guess.serial, guess.point, guess.value, guess.sign, guess.day_first),
            ("Date", "Time", "Asset", "Test", "Reading", "Unit", True),
        )

    def test_a_preamble_as_wide_as_the_table(self) -> None:
        self.assertEqual(
            look_at("Logger,blue\nStarted,2027-01-14 09:00\nTime,Value\n2027-01-14 09:30,50.4\n2027-01-14 09:31,9\n").heading, 3
        )

    def test_names_that_say_nothing_and_no_names_at_all(self) -> None:
        for heading in ("Wann;Uhr;Was;Wer;Wert;Dim\n", ""):
            guess = self.guess(heading + ROWS.replace("S-1;herm", "herm;S-1").replace("s-1;fan", "fan;s-1"))
            columns = heading.strip().split(";") if heading else [f"column {place}" for place in range(1, 7)]
            self.assertEqual([guess.at, guess.clock, guess.point, guess.serial, guess.value, guess.sign], columns)
        self.assertEqual(self.guess(ROWS).heading, 0)

    def test_every_row_is_read_and_its_line_is_the_files(self) -> None:
        for text in (PREAMBLE + "Date;Time;Asset;Test;Reading;Unit\n" + ROWS, ROWS):
            found = read(text)
            self.assertEqual([row.point for row in found if isinstance(row, LogRow)], ["cap.herm.uf", "cap.fan.uf"], found)
            lines = text.splitlines()
            self.assertEqual([row.line for row in found if isinstance(row, LogRow)], [len(lines) - 1, len(lines)])
            self.assertEqual([f"{row.at:%d %H:%M}" for row in found if isinstance(row, LogRow)], ["14 09:30", "15 09:31"])

    def test_a_heading_that_a_person_chose(self) -> None:
        head = look_at("When,Shown\nday,uF\n2027-01-14,50.4\n2027-01-15,50.5\n", (), 1)
        self.assertEqual((head.heading, head.columns), (1, ("When", "Shown")))
        self.assertEqual(look_at("a,b\n1,2\n", (), 99).heading, 2)

    def test_a_name_over_what_cannot_be_it(self) -> None:
        guess = self.guess("Reading,Timestamp\n50.4 uF,2027-01-14 09:30\n50.5 uF,2027-01-14 09:31\n")
        self.assertEqual((guess.value, guess.point, guess.at), ("Reading", "", "Timestamp"))
        joined = self.guess("Date,Time,Value\n2027-01-14 09:30,09:30,50.4\n2027-01-14 09:31,09:31,50.5\n")
        self.assertEqual((joined.at, joined.clock), ("Date", ""), "the time stands with the day already")

    @given(st.text(alphabet=st.sampled_from('a1,;\n"\t.: S-'), max_size=80), st.one_of(st.none(), st.integers(-2, 9)))
    def test_no_text_makes_it_fall_over(self, text: str, heading: int | None) -> None:
        head = look_at(text, ["S-1"], heading)
        self.assertEqual(len(head.columns), len(set(head.columns)))
        self.assertEqual(len(head.samples), len(head.columns))
        named = [getattr(head.mapping, one) for one in ("value", "at", "clock", "serial", "point", "sign", "meter")]
        self.assertLessEqual({one for one in named if one}, set(head.columns))
        list(read_rows(iter(text.splitlines(keepends=True)), head.mapping))
