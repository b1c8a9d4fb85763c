#!/bin/sh
# The two roles of README, made as the database is made: the owner migrates and restores, the app serves as one that cannot rewrite.
set -eu
psql -v ON_ERROR_STOP=1 -U postgres \
  -c "CREATE ROLE outer_test_owner LOGIN PASSWORD '$OWNER_PASSWORD'" \
  -c "CREATE ROLE outer_test_serving LOGIN PASSWORD '$SERVING_PASSWORD'" \
  -c "CREATE DATABASE outer_test OWNER outer_test_owner"
