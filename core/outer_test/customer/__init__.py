"""A visit in plain words, for the person whose unit it is."""

from outer_test.customer.page import CustomerPage, Said, customer_page, plain_words

__all__ = ["CustomerPage", "Said", "customer_page", "plain_words"]
