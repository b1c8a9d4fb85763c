"""Backup and restore: one command each, everything there again, nothing written over unasked."""

import os
import stat
import subprocess
import sys
import tarfile
from datetime import UTC, datetime, timedelta
from io import BytesIO, StringIO
from pathlib import Path
from tempfile import TemporaryDirectory
from uuid import uuid4

from django.contrib.sessions.models import Session
from django.core.management import CommandError, call_command
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.db.migrations.recorder import MigrationRecorder
from django.test import TransactionTestCase, override_settings
from django.utils import timezone
from PIL import Image

from accounts.models import Company
from files.backup import BackupTrouble
from files.nightly_backup import back_up, backups
from files.photo_in import PhotoOf, keep_photo
from fleet.models import Site
from ops.machine import ROOT
from ops.tests.running import PATIENCE_S
from outer_test.ledger import Kind
from testing.fixtures import Fixture, events
from testing.serving import database_url
from visits.models import Photo


class Backup(TransactionTestCase):
    def setUp(self) -> None:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        settings = override_settings(MEDIA_ROOT=self.folder / "media")
        settings.enable()
        self.addCleanup(settings.disable)
        self.file = self.folder / "all.tar"

    def test_there_and_back(self) -> None:
        mine = Fixture("Kept")
        mine.client().read(mine.visit, "cap.herm.uf", "39.9")
        drawn = BytesIO()
        Image.new("RGB", (40, 30)).save(drawn, "JPEG")
        photo = keep_photo(mine.member, PhotoOf(mine.unit), uuid4(), drawn.getvalue(), timezone.now())
        content = photo.file.read()
        call_command("backup", self.file, stdout=StringIO())
        self.assertEqual(stat.S_IMODE(self.file.stat().st_mode), 0o600, "its owner's alone")
        self.assertNotIn(mine.client().cookies["sessionid"].value.encode(), self.file.read_bytes())
        mine.client().read(mine.visit, "cap.herm.uf", "12.0")
        Fixture("Later")
        photo.file.storage.delete(str(photo.file.name))
        with self.assertRaisesMessage(CommandError, "--replace"):
            call_command("restore", self.file)
        call_command("restore", self.file, "--replace", stdout=StringIO())
        self.assertEqual([one.name for one in Company.objects.all()], ["Kept"])
        self.assertEqual([one.body["value"] for one in events(mine.company, Kind.READING, Kind.SEEN)], ["39.9"])
        self.assertEqual(Photo.objects.of(mine.company).get().file.read(), content)
        self.assertEqual(Session.objects.count(), 0, "nobody is signed in by a backup")
        mine.client().read(mine.visit, "cap.fan.uf", "5.0")  # it goes on from there
        self.assertEqual(len(events(mine.company, Kind.READING, Kind.SEEN)), 2)

    def test_of_an_older_version_it_is_brought_up_to_this_one_and_of_a_newer_refused(self) -> None:
        mine = Fixture("Older")
        executor = MigrationExecutor(connection)
        executor.migrate([("accounts", "0010_device_key"), ("fleet", "0007_ledger")])
        try:
            call_command("backup", self.file, stdout=StringIO())
        finally:
            call_command("migrate", verbosity=0)
        call_command("restore", self.file, "--replace", stdout=StringIO())
        self.assertEqual(Site.objects.of(mine.company).count(), 1)
        self.assertEqual(MigrationExecutor(connection).migration_plan(executor.loader.graph.leaf_nodes()), [])
        newer = self.folder / "newer.tar"
        MigrationRecorder(connection).record_applied("visits", "0999_tomorrow")
        try:
            call_command("backup", newer, stdout=StringIO())
        finally:
            MigrationRecorder(connection).record_unapplied("visits", "0999_tomorrow")
        with self.assertRaisesMessage(CommandError, "made by a newer version of this app, which has visits.0999_tomorrow"):
            call_command("restore", newer, "--replace")

    def test_every_night_once_and_the_newest_are_kept(self) -> None:
        mine = Fixture("Nightly")
        night = datetime(2026, 3, 1, 2, 29, tzinfo=UTC)
        back_up(int(night.timestamp()))
        self.assertEqual(list(self.folder.glob("*.tar")), [], "off where no folder is named")
        with override_settings(BACKUPS=self.folder, BACKUPS_KEPT=2):
            for day in range(4):
                (self.folder / "outer-test-2026-03-01.tar.part").touch()  # a killed worker left it
                back_up(int((night + timedelta(days=day)).timestamp()))
            self.assertEqual([file.name for file in backups()], ["outer-test-2026-03-04.tar", "outer-test-2026-03-03.tar"])
            first = backups()[0].stat()
            back_up(int((night + timedelta(days=3)).timestamp()))
            self.assertEqual(backups()[0].stat(), first, "told twice it is done once")
            call_command("restore", backups()[0], "--replace", stdout=StringIO())
            self.assertEqual(Company.objects.get().name, mine.company.name)
        with override_settings(BACKUPS=self.folder / "gone"), self.assertRaisesMessage(BackupTrouble, "No such file"):
            back_up(int(night.timestamp()))

    def test_two_that_prepare_at_once_both_end_well(self) -> None:
        env = os.environ | {"OUTER_TEST_DATABASE_URL": database_url()}
        command = [sys.executable, str(ROOT / "server" / "manage.py"), "prepare"]
        both = [subprocess.Popen(command, env=env, stdout=subprocess.PIPE, stderr=subprocess.STDOUT) for _ in range(2)]
        self.assertEqual([(one.wait(timeout=PATIENCE_S), one.stdout.read() if one.stdout else b"") for one in both], [(0, b""), (0, b"")])
        for one in both:
            if one.stdout:
                one.stdout.close()

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

    def test_what_is_no_file_inside_a_backup_is_refused(self) -> None:
        link = tarfile.TarInfo("link")
        link.type, link.linkname = tarfile.SYMTYPE, "/etc/hostname"
        for number, member in enumerate((tarfile.TarInfo("../outside"), tarfile.TarInfo("/outside"), link)):
            odd = self.folder / f"{number}.tar"
            with tarfile.open(odd, "w") as tar:
                tar.addfile(member)
            with self.assertRaisesMessage(CommandError, "is no file of a backup"):
                call_command("restore", odd, "--replace")
