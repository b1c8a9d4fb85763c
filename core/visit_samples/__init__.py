"""Visits that several tests start from: any visit there can be (Hypothesis), and units with a defrost control."""
