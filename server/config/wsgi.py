"""What gunicorn serves."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings")
# No request holds the database longer: a person waits for it, and others for its locks. Commands and the worker take their time.
os.environ.setdefault("OUTER_TEST_STATEMENT_S", "20")
application = get_wsgi_application()
