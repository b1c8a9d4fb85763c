"""What a rule of the trade is. Each rule stands in the file of its idea, which passes it to what it finds."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Rule:
    """A rule of the trade: its name, what it is called, where it comes from.

    mark: P published, T common practice without a source, D derived; sometimes two. choice: the house rule it is judged by, if any.
    """

    name: str
    title: str
    source: str
    mark: str
    choice: str = ""
