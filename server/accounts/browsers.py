"""A browser's own long name in a few words."""

import re

# The first that fits names it: most browsers also name the ones they descend from.
_BROWSERS = (("Edg", "Edge"), ("OPR", "Opera"), ("SamsungBrowser", "Samsung Internet"), ("Firefox|FxiOS", "Firefox"),
             ("Chrome|CriOS|Chromium", "Chrome"), ("Safari", "Safari"))  # fmt: skip
_SYSTEMS = (("iPhone|iPad", "iOS"), ("Android", "Android"), ("Windows", "Windows"), ("Mac OS X|Macintosh", "macOS"), ("CrOS", "ChromeOS"),
            ("Linux|X11", "Linux"))  # fmt: skip


def browser_in_words(agent: str) -> str:
    """What a person would call the browser that sends this User-Agent; its own words where it is none that is known.

    >>> browser_in_words("Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36")
    'Chrome on Linux'
    >>> browser_in_words("Mozilla/5.0 (iPhone; CPU iPhone OS 18_1 like Mac OS X) AppleWebKit/605.1.15 Version/18.1 Safari/604.1")
    'Safari on iOS'
    >>> browser_in_words("curl/8.5"), browser_in_words("")
    ('curl/8.5', 'browser unknown')
    """
    browser = _named(_BROWSERS, agent)
    system = _named(_SYSTEMS, agent)
    if not browser:
        return agent[:60] or "browser unknown"
    return f"{browser} on {system}" if system else browser


def _named(names: tuple[tuple[str, str], ...], agent: str) -> str:
    return next((words for pattern, words in names if re.search(pattern, agent)), "")
