"""Settings: secure by default. `OUTER_TEST_LOCAL=1` relaxes only what plain http on loopback cannot do."""

from pathlib import Path

import environ
from csp.constants import NONE, SELF

from config.static_headers import add_headers

ROOT = Path(__file__).resolve().parents[2]

env = environ.Env()
WEB_DIST = Path(env.str("OUTER_TEST_WEB_DIST", default=str(ROOT / "web" / "dist")))
LOCAL = env.bool("OUTER_TEST_LOCAL", default=False)
DEMO = env.bool("OUTER_TEST_DEMO", default=False)

DEBUG = False
SECRET_KEY = env.str("OUTER_TEST_SECRET_KEY")
ALLOWED_HOSTS = env.list("OUTER_TEST_HOSTS", default=["127.0.0.1", "localhost"])
CSRF_TRUSTED_ORIGINS = env.list("OUTER_TEST_ORIGINS", default=[])

DATABASES = {"default": env.db_url("OUTER_TEST_DATABASE_URL", engine="django.db.backends.postgresql")}
DATABASES["default"] |= {"CONN_MAX_AGE": 60, "CONN_HEALTH_CHECKS": True, "ATOMIC_REQUESTS": False}
if STATEMENT_S := env.int("OUTER_TEST_STATEMENT_S", default=0):  # set where people wait for an answer
    LIMITS = {"statement_timeout": STATEMENT_S, "lock_timeout": STATEMENT_S / 4, "idle_in_transaction_session_timeout": STATEMENT_S * 3}
    DATABASES["default"]["OPTIONS"] = {"options": " ".join(f"-c {name}={round(most * 1000)}" for name, most in LIMITS.items())}

# Who serves, where that is not who migrates: it cannot rewrite what was written. `prepare` and `restore` give it its rights.
SERVING_ROLE = env.str("OUTER_TEST_SERVING_ROLE", default="")

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.staticfiles",
    "django.contrib.postgres",
    "ninja",
    "csp",
    "procrastinate.contrib.django",
    "accounts",
    "ledger",
    "fleet",
    "visits",
    "setup",
]
MIDDLEWARE = [
    "config.watched.Watched",
    "django.middleware.security.SecurityMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "config.client_address.ClientAddress",
    "config.keepable_address.KeepableAddress",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "config.private_answers.PrivateAnswers",
    "config.small_answers.SmallAnswers",
    "csp.middleware.CSPMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "config.device_key.DeviceKey",
    "config.body_limits.BodyLimits",
    "config.company_time.CompanyTime",
]
ROOT_URLCONF = "config.urls"
WSGI_APPLICATION = "config.wsgi.application"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "DIRS": [ROOT / "server" / "files" / "templates"],
        "APP_DIRS": True,
    }
]
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"
APPEND_SLASH = False

# Sign-in: Argon2, few at a time; accounts.attempts counts how often a password may be tried.
AUTH_USER_MODEL = "accounts.Member"
AUTHENTICATION_BACKENDS = ["accounts.backend.MemberBackend"]
PASSWORD_HASHERS = ["accounts.hashers.OneAtATime", "django.contrib.auth.hashers.PBKDF2PasswordHasher"]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator", "OPTIONS": {"min_length": 10}},
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
]
BEHIND_PROXY = env.bool("OUTER_TEST_BEHIND_PROXY", default=False)
# How many proxies stand before this server, each adding to X-Forwarded-For; what it says beyond them is the stranger's own word.
TRUSTED_HOPS = env.int("OUTER_TEST_TRUSTED_HOPS", default=int(BEHIND_PROXY))

SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = SECURE_SSL_REDIRECT = not LOCAL
SESSION_COOKIE_SAMESITE = CSRF_COOKIE_SAMESITE = "Strict"
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_AGE = 14 * 24 * 3600
SECURE_HSTS_SECONDS = 0 if LOCAL else 31_536_000
SECURE_HSTS_INCLUDE_SUBDOMAINS = SECURE_HSTS_PRELOAD = not LOCAL
SECURE_REFERRER_POLICY = "same-origin"
SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https") if BEHIND_PROXY else None
X_FRAME_OPTIONS = "DENY"
CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [NONE],
        "script-src": [SELF],
        # The style library writes its rules into the page's own style element while it runs.
        "style-src": [SELF, "'unsafe-inline'"],
        "font-src": [SELF],
        # A photo that waits on the device is shown from there.
        "img-src": [SELF, "data:", "blob:"],
        "connect-src": [SELF],
        "manifest-src": [SELF],
        "worker-src": [SELF],
        "form-action": [SELF],
        "base-uri": [NONE],
        "frame-ancestors": [NONE],
    }
}

STATIC_URL = "/static/"
STATIC_ROOT = ROOT / ".local" / "static"
WHITENOISE_ROOT = WEB_DIST if WEB_DIST.is_dir() else None
WHITENOISE_IMMUTABLE_FILE_TEST = r"^/assets/.+"
WHITENOISE_ADD_HEADERS_FUNCTION = add_headers

LANGUAGE_CODE = "en-us"
USE_I18N = False
USE_TZ = True
TIME_ZONE = env.str("OUTER_TEST_TIME_ZONE", default="UTC")
DATA_UPLOAD_MAX_MEMORY_SIZE = 1_000_000
# Files a day, in bytes: of one member, of one company.
UPLOADS_A_DAY = {
    "member": env.int("OUTER_TEST_UPLOADS_MEMBER", default=3_000_000_000),
    "company": env.int("OUTER_TEST_UPLOADS_COMPANY", default=20_000_000_000),
}
FILE_UPLOAD_MAX_MEMORY_SIZE = 2_500_000

# What takes long is done by a worker, beside the request that asked for it; tests do it within.
PROCRASTINATE_IMPORT_PATHS = ["background.upkeep", "files.log_job", "files.made", "files.nightly_backup", "visits.conclude"]
WORKER_SILENT_S = env.int("OUTER_TEST_WORKER_SILENT_S", default=30)  # a worker that says nothing for so long is dead
PROCRASTINATE_WORKER_DEFAULTS = {
    "concurrency": 2, "delete_jobs": "successful", "shutdown_graceful_timeout": 20.0, "update_heartbeat_interval": WORKER_SILENT_S / 3,
    "stalled_worker_timeout": float(WORKER_SILENT_S),
}  # fmt: skip
WORK_AT_ONCE = False

# Photos and files to be taken in. An object store takes the disk's place by naming its backend here.
MEDIA_ROOT = Path(env.str("OUTER_TEST_FILES", default=str(ROOT / ".local" / "files")))
STORAGES = {
    "default": {
        "BACKEND": env.str("OUTER_TEST_STORAGE", default="django.core.files.storage.FileSystemStorage"),
        "OPTIONS": env.json("OUTER_TEST_STORAGE_OPTIONS", default={}),
    },
    "staticfiles": {"BACKEND": "django.contrib.staticfiles.storage.StaticFilesStorage"},
}
TEST_RUNNER = "config.test_runner.CountingRunner"

# The worker writes a backup every night into this folder, and keeps the newest.
BACKUPS = Path(folder) if (folder := env.str("OUTER_TEST_BACKUPS", default="")) else None
BACKUPS_KEPT = env.int("OUTER_TEST_BACKUPS_KEPT", default=14)

# A token turns /metrics on, for whoever sends it.
METRICS_TOKEN = env.str("OUTER_TEST_METRICS_TOKEN", default="")

LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "formatters": {"json": {"()": "config.logs.JsonLines"}},
    "handlers": {"console": {"class": "logging.StreamHandler", "formatter": "json"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
    # A refused request is the asker's to mend, and is answered; only failures of this program are logged.
    "loggers": {"django.request": {"level": "ERROR"}},
}
