"""Photos and files in an object store, named by a setting: against a stand-in that ships as a test dependency (moto)."""

import io
from io import StringIO
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any
from unittest.mock import patch
from uuid import uuid4

import boto3
from django.core.files.storage import default_storage
from django.core.files.uploadedfile import SimpleUploadedFile
from django.core.management import call_command
from django.test import TransactionTestCase, override_settings
from moto import mock_aws
from PIL import Image

from files.tests.test_log_in import HEADING, MAPPING, PLATE, bring
from testing.fixtures import Fixture
from visits.models import Photo

BUCKET = "outer-test"
STORE = {
    "default": {
        "BACKEND": "storages.backends.s3.S3Storage",
        "OPTIONS": {"bucket_name": BUCKET, "region_name": "us-east-1", "file_overwrite": False},
    },
    "staticfiles": {"BACKEND": "django.contrib.staticfiles.storage.StaticFilesStorage"},
}
NOBODY = {"AWS_ACCESS_KEY_ID": "nobody", "AWS_SECRET_ACCESS_KEY": "nobody"}


@override_settings(STORAGES=STORE, WORK_AT_ONCE=True)
class ObjectStore(TransactionTestCase):
    def setUp(self) -> None:
        self.enterContext(patch.dict("os.environ", NOBODY))
        self.enterContext(mock_aws())
        self.store = boto3.client("s3", region_name="us-east-1")
        self.store.create_bucket(Bucket=BUCKET)
        self.mine = Fixture("Store", PLATE)
        self.caller = self.mine.client()

    def names(self) -> list[str]:
        return sorted(one["Key"] for one in self.store.list_objects_v2(Bucket=BUCKET).get("Contents", []))

    def photo(self, content: bytes = b"") -> Any:
        drawn = io.BytesIO()
        Image.new("RGB", (64, 48), "#a4491b").save(drawn, "JPEG")
        file = SimpleUploadedFile("p.jpg", content or drawn.getvalue())
        return self.caller.post(f"/api/v1/files/units/{self.mine.unit.id}/photos", {"id": str(uuid4()), "photo": file})

    def test_a_photo_lies_there_and_comes_back_and_a_refused_one_leaves_nothing(self) -> None:
        kept = self.photo().json()["id"]
        self.assertEqual(len(self.names()), 1)
        shown = b"".join(self.caller.get(f"/api/v1/files/photos/{kept}").streaming_content)  # type: ignore[attr-defined]
        self.assertEqual(Image.open(io.BytesIO(shown)).size, (64, 48))
        self.assertEqual(self.photo(b"no picture").status_code, 422)
        self.assertEqual(len(self.names()), 1)

    def test_a_log_is_read_from_there_and_let_go(self) -> None:
        job = bring(self.caller, HEADING + "S-1;2024-01-05 09:00;herm;55,1;uF").json()["id"]
        self.assertEqual(self.caller.send("POST", f"/imports/{job}/check", MAPPING).json()["state"], "checked")
        self.assertEqual(self.caller.send("POST", f"/imports/{job}/keep").json()["state"], "done")
        self.assertEqual(self.names(), [])

    def test_a_backup_takes_what_lies_there_and_puts_it_back(self) -> None:
        self.photo()
        name = Photo.objects.of(self.mine.company).get().file.name
        with default_storage.open(str(name)) as file:
            content = file.read()
        with TemporaryDirectory() as folder:
            whole = Path(folder) / "all.tar"
            call_command("backup", whole, stdout=StringIO())
            self.store.delete_object(Bucket=BUCKET, Key=str(name))
            call_command("restore", whole, "--replace", stdout=StringIO())
        with default_storage.open(str(name)) as file:
            self.assertEqual(file.read(), content)
