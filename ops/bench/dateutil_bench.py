"""One load of the bench, by dateutil: rule and zone resolved to instants."""
import json
import sys
import time
from datetime import datetime

from zoneinfo import ZoneInfo

from dateutil import rrule

count, start, zone_name, rule = json.loads(sys.argv[1])
# dateutil's own zones end with 2037, so the zone is Python's.
zone = ZoneInfo(zone_name)
best = None
for _ in range(3):
    total = instances = 0
    began = time.perf_counter()
    for i in range(count):
        first = datetime.strptime(start % (i % 60), "%Y-%m-%dT%H:%M:%S")
        for wall in rrule.rrulestr(rule, dtstart=first):
            total = (total + int(wall.replace(tzinfo=zone).timestamp())) % 1_000_000_007
            instances += 1
    seconds = time.perf_counter() - began
    best = seconds if best is None else min(best, seconds)
print(json.dumps({"sum": total, "instances": instances, "seconds": best}))
