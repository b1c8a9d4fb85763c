"""How gunicorn serves: `gunicorn --config server/config/gunicorn.py config.wsgi:application`. What a machine wants else is said there."""

import os

workers = 2
threads = 16  # four that trickle leave the rest to everybody else; a proxy before it takes slow clients off it altogether
worker_class = "config.worker.ThreadsThatGiveUp"
timeout, graceful_timeout, keepalive = 60, 20, 5
limit_request_line, limit_request_fields, limit_request_field_size = 4094, 60, 8190
worker_tmp_dir = "/dev/shm" if os.path.isdir("/dev/shm") else "/tmp"
loglevel = "warning"
