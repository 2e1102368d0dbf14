# Runs one program of the house for its supervisor: ends first what a killed run of it left behind, which may still hold its sockets.
# Usage: serve.sh PROGRAM COMMAND...
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"
program=$1
shift
own_processes "$program" | grep -v "^$$ " | end_processes 5 || true
exec "$@"
