"""`./manage`: Django's commands against this machine's own database."""

import subprocess
import sys

from ops.environment import ensure_python, server_environment
from ops.machine import ROOT, VENV_PYTHON, Trouble, fail
from ops.packages import ensure_packages
from ops.postgres import Cluster
from ops.roles import Role
from ops.start import DATABASE


def main() -> int:
    """Run one command; the database is started for it where it does not run."""
    try:
        ensure_packages()
        ensure_python()
        cluster = Cluster("app")
        with cluster.in_use():
            cluster.make_database(DATABASE)
            env = server_environment(cluster.url(DATABASE), demo=False) | {"OUTER_TEST_SERVING_ROLE": Role.SERVING.value}
            return subprocess.call([str(VENV_PYTHON), str(ROOT / "server" / "manage.py"), *sys.argv[1:]], env=env)
    except Trouble as trouble:
        fail(trouble)


if __name__ == "__main__":
    sys.exit(main())
