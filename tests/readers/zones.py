"""Reads VTIMEZONEs with dateutil and prints the offset of each at given moments. Lines of {tzid, ics, moments} in."""
import io
import json
import sys
from datetime import datetime, timedelta, timezone

from dateutil import tz

for line in sys.stdin:
    asked = json.loads(line)
    zone = tz.tzical(io.StringIO(asked["ics"].replace("\r\n ", "").replace("\r\n", "\n"))).get(asked["tzid"])
    offsets = []
    for moment in asked["moments"]:
        utc = datetime(1970, 1, 1, tzinfo=timezone.utc) + timedelta(seconds=moment)
        offsets.append(int(utc.astimezone(zone).utcoffset().total_seconds()))
    print(json.dumps({"tzid": asked["tzid"], "offsets": offsets}))
