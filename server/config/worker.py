"""gunicorn's threads, none of which waits for ever for a client that says nothing more, or takes nothing more."""

import socket
import struct
from typing import Any

from gunicorn.workers.gthread import ThreadWorker

WAITS_S = 15


class ThreadsThatGiveUp(ThreadWorker):
    """A thread waits so long for the next bytes of a request, or for room to send; then the connection is closed."""

    def enqueue_req(self, conn: Any) -> None:
        """Hand a connection to a thread, with the limit set on its socket."""
        limit = struct.pack("ll", WAITS_S, 0)
        for side in (socket.SO_RCVTIMEO, socket.SO_SNDTIMEO):
            conn.sock.setsockopt(socket.SOL_SOCKET, side, limit)
        super().enqueue_req(conn)
