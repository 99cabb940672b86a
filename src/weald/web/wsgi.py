"""Where gunicorn comes in."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "weald.web.settings")
application = get_wsgi_application()
