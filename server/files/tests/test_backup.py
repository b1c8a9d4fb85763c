"""Backup and restore: one command each, everything there again, nothing written over unasked."""

from io import StringIO
from pathlib import Path
from tempfile import TemporaryDirectory

from django.core.management import CommandError, call_command
from django.test import TransactionTestCase, override_settings

from accounts.models import Company
from outer_test.ledger import Kind
from testing.fixtures import Fixture, events


class Backup(TransactionTestCase):
    def setUp(self) -> None:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        (self.folder / "media" / "photos").mkdir(parents=True)
        (self.folder / "media" / "photos" / "one.jpg").write_bytes(b"a photo")
        settings = override_settings(MEDIA_ROOT=self.folder / "media")
        settings.enable()
        self.addCleanup(settings.disable)
        self.file = self.folder / "all.tar"

    def test_there_and_back(self) -> None:
        mine = Fixture("Kept")
        mine.client().read(mine.visit, "cap.herm.uf", "39.9")
        call_command("backup", self.file, stdout=StringIO())
        mine.client().read(mine.visit, "cap.herm.uf", "12.0")
        Fixture("Later")
        (self.folder / "media" / "photos" / "one.jpg").unlink()
        with self.assertRaisesMessage(CommandError, "--replace"):
            call_command("restore", self.file)
        call_command("restore", self.file, "--replace", stdout=StringIO())
        self.assertEqual([one.name for one in Company.objects.all()], ["Kept"])
        self.assertEqual([one.body["value"] for one in events(mine.company, Kind.READING, Kind.SEEN)], ["39.9"])
        self.assertEqual((self.folder / "media" / "photos" / "one.jpg").read_bytes(), b"a photo")
        mine.client().read(mine.visit, "cap.fan.uf", "5.0")  # it goes on from there
        self.assertEqual(len(events(mine.company, Kind.READING, Kind.SEEN)), 2)

    def test_trouble_in_one_line(self) -> None:
        call_command("backup", self.file, stdout=StringIO())
        with self.assertRaisesMessage(CommandError, "is there already"):
            call_command("backup", self.file)
        with self.assertRaisesMessage(CommandError, "No such file"):
            call_command("backup", self.folder / "nowhere" / "all.tar")
        (self.folder / "other.tar").write_text("hello")
        with self.assertRaisesMessage(CommandError, "is no backup of this app"):
            call_command("restore", self.folder / "other.tar", "--replace")
        self.assertEqual(list(self.folder.glob("*.part")), [])
