"""The web server: one process of as many as are wanted, all listening at one address.

It reads requests whole before anybody works on them, so that somebody who sends half a request, or sends it
slowly, keeps nobody else waiting.
"""

import argparse
import socket
from typing import Any

from django.conf import settings
from waitress.server import create_server

from weald.web.wsgi import application


def listen(address: str) -> socket.socket:
    """A socket at ``host:port`` that the other processes of Weald may listen at too."""
    host, _, port = address.rpartition(":")
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    line = socket.socket(family, socket.SOCK_STREAM)
    line.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    line.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEPORT, 1)
    line.bind((host.strip("[]"), int(port)))
    line.listen(1024)
    return line


def options() -> dict[str, Any]:
    """How requests are taken: what is too long or too slow is refused, and a proxy alone says who asked.

    Behind a proxy the address of whoever asked and whether over TLS are taken from what it says; from anybody
    else such headings are thrown away.
    """
    limits = {
        "connection_limit": 1000,
        "cleanup_interval": 10,
        "channel_timeout": 60,
        "max_request_header_size": 32_000,
        "max_request_body_size": settings.LARGEST_TEXT + 1_000_000,
        "clear_untrusted_proxy_headers": True,
        "ident": None,
    }
    if not settings.PROXIES:
        return limits
    return limits | {
        "trusted_proxy": settings.PROXY_ADDRESS,
        "trusted_proxy_count": settings.PROXIES,
        "trusted_proxy_headers": {"x-forwarded-for", "x-forwarded-proto"},
    }


def main() -> None:
    """Serve until told to stop."""
    parser = argparse.ArgumentParser(prog="weald.web.server", description=__doc__)
    parser.add_argument("--bind", required=True, help="host:port")
    parser.add_argument("--threads", type=int, default=4)
    arguments = parser.parse_args()
    line = listen(arguments.bind)
    create_server(application, sockets=[line], threads=arguments.threads, **options()).run()


if __name__ == "__main__":
    main()
