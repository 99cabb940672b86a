"""Settings, read from the environment; docs/serving.md lists the names."""

import os
from pathlib import Path

import dj_database_url
from csp.constants import NONCE, NONE, SELF
from django.core.exceptions import ImproperlyConfigured

PROJECT = Path(__file__).resolve().parents[3]


def _flag(name: str) -> bool:
    return os.environ.get(name, "") not in ("", "0", "no", "false")


def _required(name: str) -> str:
    value = os.environ.get(name, "")
    if not value:
        raise ImproperlyConfigured(f"{name} is not set; start Weald with ./weald demo, serve or test.")
    return value


SECRET_KEY = _required("WEALD_SECRET_KEY")
DEBUG = False
PLAIN_HTTP = _flag("WEALD_PLAIN_HTTP")
"""Served without TLS: for the demo, the tests, and a workshop's own network at its own risk."""
PROXIES = int(os.environ.get("WEALD_PROXIES", "0")) or int(_flag("WEALD_BEHIND_PROXY"))
"""So many proxies stand before the web server and say who asked, and whether over TLS."""
PROXY_ADDRESS = os.environ.get("WEALD_PROXY_ADDRESS", "127.0.0.1")
ALLOWED_HOSTS = os.environ.get("WEALD_ALLOWED_HOSTS", "127.0.0.1,localhost").split(",")
CSRF_TRUSTED_ORIGINS = [
    f"https://{host}" for host in ALLOWED_HOSTS if host not in ("127.0.0.1", "localhost", "*")
]

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.messages",
    "django.contrib.staticfiles",
    "django.contrib.postgres",
    "axes",
    "csp",
    "procrastinate.contrib.django",
    "weald.web.accounts",
    "weald.web.jobs",
    "weald.web.bench",
    "weald.web.printing",
    "weald.web.shelf",
    "weald.web.office",
    "weald.web.week",
    "weald.web.demo",
]

MIDDLEWARE = [
    "weald.web.watching.WatchMiddleware",
    "django.middleware.security.SecurityMiddleware",
    "weald.web.gate.GateMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "weald.web.packing.PackingMiddleware",
    "csp.middleware.CSPMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    # an answer the page has already is told as unchanged; only the page itself keeps any (see the gate)
    "django.middleware.http.ConditionalGetMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "weald.web.accounts.middleware.SignInMiddleware",
    "django.contrib.messages.middleware.MessageMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
]

ROOT_URLCONF = "weald.web.urls"
WSGI_APPLICATION = "weald.web.wsgi.application"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "DIRS": [Path(__file__).parent / "templates"],
        "OPTIONS": {
            "context_processors": [
                "django.template.context_processors.request",
                "django.contrib.auth.context_processors.auth",
                "django.contrib.messages.context_processors.messages",
            ]
        },
    }
]

DATABASE_SECONDS = float(os.environ.get("WEALD_DATABASE_SECONDS", "10"))
"""A request waits for one answer of the database no longer; 0 for ever."""
DATABASES = {"default": dj_database_url.parse(_required("WEALD_DATABASE_URL"), conn_max_age=600)}
DATABASES["default"]["OPTIONS"] = {
    **DATABASES["default"].get("OPTIONS", {}),
    "connect_timeout": 3,
    "keepalives_idle": 30,
    "keepalives_interval": 10,
    "keepalives_count": 3,
}
CACHES = {
    "default": {
        "BACKEND": "django.core.cache.backends.db.DatabaseCache",
        "LOCATION": "kept_for_a_while",
        "OPTIONS": {"MAX_ENTRIES": 100_000},
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

AUTHENTICATION_BACKENDS = [
    "axes.backends.AxesStandaloneBackend",
    "weald.web.accounts.backends.PersonBackend",
]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
    {
        "NAME": "django.contrib.auth.password_validation.MinimumLengthValidator",
        "OPTIONS": {"min_length": 12},
    },
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
    {"NAME": "weald.web.accounts.passwords.VariedPasswordValidator"},
]
LOGIN_URL = "sign-in"
LOGIN_REDIRECT_URL = "/"
LOGOUT_REDIRECT_URL = "sign-in"

AXES_FAILURE_LIMIT = 6
SPRAYING_LIMIT = 40
"""So many wrong passwords from one address, for whichever names, before it has to wait."""
AXES_COOLOFF_TIME = 0.25  # hours
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_RESET_ON_SUCCESS = True
AXES_LOCKOUT_CALLABLE = "weald.web.accounts.views.locked_out"

LANGUAGE_CODE = "en-gb"
TIME_ZONE = os.environ.get("WEALD_TIME_ZONE", "UTC")
USE_TZ = True

FILES_FOLDER = Path(os.environ.get("WEALD_FILES", PROJECT / "var" / "files"))
"""Texts and imposed files; never served from here."""
DATA_FOLDERS = tuple(filter(None, os.environ.get("WEALD_DATA", "").split(os.pathsep)))
"""Where the database keeps its data, where it is on this machine."""
DISK_RESERVE = int(os.environ.get("WEALD_DISK_RESERVE_MB", "100")) * 1_000_000
"""So much of every disk is left to the database; with less, nothing is written any more."""
S3_BUCKET = os.environ.get("WEALD_S3_BUCKET", "")
"""A store of files elsewhere, for more than one machine; its keys come from the usual AWS_… names."""
_FOLDER_STORE = {
    "BACKEND": "django.core.files.storage.FileSystemStorage",
    "OPTIONS": {"location": FILES_FOLDER, "allow_overwrite": True, "directory_permissions_mode": 0o700},
}
_S3_STORE = {
    "BACKEND": "storages.backends.s3.S3Storage",
    "OPTIONS": {
        "bucket_name": S3_BUCKET,
        "endpoint_url": os.environ.get("WEALD_S3_ENDPOINT") or None,
        "region_name": os.environ.get("AWS_DEFAULT_REGION") or None,
        "file_overwrite": True,
    },
}
STORAGES = {
    "kept": _S3_STORE if S3_BUCKET else _FOLDER_STORE,
    "staticfiles": {"BACKEND": "django.contrib.staticfiles.storage.StaticFilesStorage"},
}
_MB = 1_000_000
LARGEST_ARTWORK = 100_000_000
LARGEST_TEXT = int(os.environ.get("WEALD_LARGEST_TEXT_MB", "300")) * _MB
MOST_PAGES = 5000
WORKSHOP_QUOTA = int(os.environ.get("WEALD_QUOTA_MB", "5000")) * _MB
PROGRESS_SECONDS = 0.3

STATIC_URL = "/static/"
FRONTEND_DIST = Path(os.environ.get("WEALD_FRONTEND", PROJECT / "var" / "frontend" / "none"))
STATICFILES_DIRS = [FRONTEND_DIST]
WHITENOISE_USE_FINDERS = True
WHITENOISE_MAX_AGE = 3600


def _built_name(path: str, url: str) -> bool:
    """Vite puts a hash into the name of everything under assets/."""
    return "/assets/" in url


WHITENOISE_IMMUTABLE_FILE_TEST = _built_name

CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [NONE],
        "script-src": [SELF],
        "style-src": [SELF, NONCE],
        "img-src": [SELF, "data:"],
        "font-src": [SELF],
        "connect-src": [SELF],
        "form-action": [SELF],
        "frame-ancestors": [NONE],
        "base-uri": [NONE],
    }
}

SECURE_REDIRECT_EXEMPT = [r"^healthz$", r"^readyz$", r"^metrics$"]
SESSION_ENGINE = "weald.web.accounts.sessions"
SESSION_COOKIE_AGE = 60 * 60 * int(os.environ.get("WEALD_SESSION_HOURS", "336"))
SESSION_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SAMESITE = "Lax"
CSRF_FAILURE_VIEW = "weald.web.gate.not_from_here"
SECURE_REFERRER_POLICY = "same-origin"
X_FRAME_OPTIONS = "DENY"
SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = SECURE_SSL_REDIRECT = not PLAIN_HTTP
if not PLAIN_HTTP:
    # a browser takes these from this host alone, and only over a safe connection
    SESSION_COOKIE_NAME = "__Host-sessionid"
    CSRF_COOKIE_NAME = "__Host-csrftoken"
    SECURE_HSTS_SECONDS = 60 * 60 * 24 * 365
    SECURE_HSTS_INCLUDE_SUBDOMAINS = True
    SECURE_HSTS_PRELOAD = True

DATA_UPLOAD_MAX_MEMORY_SIZE = 2_000_000

METRICS_TOKEN = os.environ.get("WEALD_METRICS_TOKEN", "")
"""Who shows it may read /metrics; without one, nobody."""
LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "filters": {
        "number": {"()": "weald.web.numbering.WithNumber"},
        "secrets": {"()": "weald.web.numbering.WithoutSecrets"},
    },
    "formatters": {
        "json": {
            "()": "pythonjsonlogger.json.JsonFormatter",
            "fmt": "%(asctime)s %(levelname)s %(name)s %(request_number)s %(message)s",
        },
        "plain": {"format": "%(levelname)s %(request_number)s %(message)s"},
    },
    "handlers": {
        "console": {
            "class": "logging.StreamHandler",
            "filters": ["number", "secrets"],
            "formatter": "json" if _flag("WEALD_LOG_JSON") else "plain",
        }
    },
    "root": {"handlers": ["console"], "level": os.environ.get("WEALD_LOG", "WARNING")},
}
