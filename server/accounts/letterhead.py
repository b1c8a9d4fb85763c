"""What stands under a company's name on its visit sheets, and whether customers may be given a link to theirs."""

from accounts.models import Company
from outer_test.measurement import FieldProblem

LONGEST = 2000


def check_letterhead(text: str) -> None:
    """Address, telephone, licence: not too long. Raises FieldProblem."""
    if len(text) > LONGEST:
        raise FieldProblem("letterhead", f"Use up to {LONGEST} characters.")


def set_letterhead(company: Company, text: str) -> None:
    """Keep it. Raises FieldProblem."""
    check_letterhead(text)
    company.letterhead = text.strip()
    company.save(update_fields=["letterhead"])


def allow_links(company: Company, allowed: bool) -> None:
    """Let the company's people give customers links, or end all of them."""
    company.customer_links = allowed
    company.save(update_fields=["customer_links"])
