"""What gunicorn serves."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings")
# No request holds the database longer: a person waits for it, and others for its locks. Commands and the worker take their time.
os.environ.setdefault("OUTER_TEST_STATEMENT_S", "20")
django_application = get_wsgi_application()
from config.few_sign_ins import FewSignIns  # noqa: E402 - the models it imports need what stands above

application = FewSignIns(django_application)
