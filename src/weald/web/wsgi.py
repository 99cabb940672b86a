"""Where the web server comes in."""

import gc
import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "weald.web.settings")
application = get_wsgi_application()
# what is loaded stays; looking through it again and again for what can be thrown away costs a fifth of a plan
gc.freeze()
gc.set_threshold(50_000, 20, 50)
