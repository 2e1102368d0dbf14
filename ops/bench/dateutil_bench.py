"""One load of the bench, by dateutil: rule and zone resolved to instants; with an argument, they are printed."""
import json
import resource
import sys
import time
from datetime import datetime
from zoneinfo import ZoneInfo

from dateutil import rrule

load = [line.rstrip("\n").split("\t") for line in sys.stdin]
if len(sys.argv) > 1:
    for start, zone_name, rule, begin, end in load:
        zone = ZoneInfo(zone_name)
        begin = -(1 << 62) if begin == "-" else int(begin)
        end = 1 << 62 if end == "-" else int(end)
        instances = []
        for wall in rrule.rrulestr(rule, dtstart=datetime.strptime(start, "%Y%m%dT%H%M%S")):
            local = wall.replace(tzinfo=zone)
            moment = local.timestamp()
            if moment >= end:
                break
            if moment >= begin:
                instances.append(local.isoformat())
        print(json.dumps({"id": 1, "instances": instances, "complete": True}, separators=(",", ":")))
    sys.exit(0)
best = None
for _ in range(3):
    total = instances = 0
    began = time.perf_counter()
    for start, zone_name, rule, begin, end in load:
        # dateutil's own zones end with 2037, so the zone is Python's.
        zone = ZoneInfo(zone_name)
        first = datetime.strptime(start, "%Y%m%dT%H%M%S")
        begin = -(1 << 62) if begin == "-" else int(begin)
        end = 1 << 62 if end == "-" else int(end)
        for wall in rrule.rrulestr(rule, dtstart=first):
            moment = int(wall.replace(tzinfo=zone).timestamp())
            if moment >= end:
                break
            if moment >= begin:
                total = (total + moment) % 1_000_000_007
                instances += 1
    seconds = time.perf_counter() - began
    best = seconds if best is None else min(best, seconds)
print(json.dumps({"sum": total, "instances": instances, "seconds": best, "peak_mb": resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024}))
