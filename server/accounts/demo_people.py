"""The demo's sign-in, offered on the sign-in page where the demo is loaded."""

DEMO_USERNAME = "wren"
DEMO_PASSWORD = "tern-hollow-demo"
