"""Django's test runner, which also says how many tests passed and failed in one plain line."""

from typing import Any

import hypothesis
from django.test import override_settings
from django.test.runner import DiscoverRunner

# How long an example takes says nothing on a busy machine: speed is measured by bench/.
hypothesis.settings.register_profile("unhurried", hypothesis.settings(), deadline=None)
hypothesis.settings.load_profile("unhurried")


class CountingRunner(DiscoverRunner):
    """Prints `N passed, N failed, N skipped` last."""

    # Each test client would gather all static files before its first request, half a second on a busy machine.
    @override_settings(WHITENOISE_AUTOREFRESH=True)
    def run_suite(self, suite: Any, **kwargs: Any) -> Any:
        """Run the suite and keep its result for the closing line."""
        self.outcome = super().run_suite(suite, **kwargs)
        return self.outcome

    def run_tests(self, test_labels: list[str], **kwargs: Any) -> int:
        """Run the tests, then count them. No test at all is a failure."""
        failures = super().run_tests(test_labels, **kwargs)
        outcome = self.outcome
        failed = len(outcome.failures) + len(outcome.errors) + len(outcome.unexpectedSuccesses)
        skipped = len(outcome.skipped)
        print(f"{max(outcome.testsRun - failed - skipped, 0)} passed, {failed} failed, {skipped} skipped", flush=True)
        return failures or int(outcome.testsRun == 0)
