"""Offsets at moments and moments of wall times by Python's zoneinfo. Lines of {tzid, moments, walls} in, {offsets, moments} out.

A wall time that comes twice means the first (fold 0), one that is skipped takes the offset before the gap (PEP 495).
"""
import json
import sys
from datetime import datetime, timedelta, timezone
from zoneinfo import ZoneInfo

EPOCH = datetime(1970, 1, 1)
for line in sys.stdin:
    asked = json.loads(line)
    zone = ZoneInfo(asked["tzid"])
    offsets = [int(datetime.fromtimestamp(at, tz=timezone.utc).astimezone(zone).utcoffset().total_seconds()) for at in asked["moments"]]
    moments = [wall - int((EPOCH + timedelta(seconds=wall)).replace(tzinfo=zone).utcoffset().total_seconds()) for wall in asked["walls"]]
    print(json.dumps({"offsets": offsets, "moments": moments}))
