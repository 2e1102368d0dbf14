"""Reads iCalendar with Debian's python3-icalendar and dateutil; prints each event's starts as UTC moments.

The zone of the file itself decides (its VTIMEZONE, through dateutil), not the machine's zone data.
"""
import io
import json
import re
import sys
from datetime import datetime, timezone

import icalendar
from dateutil import rrule, tz

text = sys.stdin.buffer.read().decode("utf-8")
limit = int(sys.argv[1]) if len(sys.argv) > 1 else 100
calendar = icalendar.Calendar.from_ical(text)
unfolded = text.replace("\r\n ", "").replace("\r\n", "\n")
# dateutil's reader knows VTIMEZONE only, and wants nothing else beside it.
zones = "".join(re.findall(r"BEGIN:VTIMEZONE\n.*?END:VTIMEZONE\n", unfolded, re.S))
of_file = tz.tzical(io.StringIO(zones)) if zones else None


def moment(wall, zone):
    return int(wall.replace(tzinfo=zone).astimezone(timezone.utc).timestamp())


events = []
for event in calendar.walk("VEVENT"):
    start = event["DTSTART"]
    wall = start.dt if isinstance(start.dt, datetime) else datetime(start.dt.year, start.dt.month, start.dt.day)
    zone = of_file.get(start.params["TZID"]) if "TZID" in start.params else tz.UTC
    wall = wall.replace(tzinfo=None)
    walls = [wall]
    if "RRULE" in event:
        rule = event["RRULE"].to_ical().decode()
        until = re.search(r"UNTIL=(\d{8}T\d{6})Z", rule)
        rule = re.sub(r";?UNTIL=\d{8}T\d{6}Z", "", rule)
        walls = []
        for one in rrule.rrulestr(rule, dtstart=wall):
            if until and moment(one, zone) > int(datetime.strptime(until[1], "%Y%m%dT%H%M%S").replace(tzinfo=timezone.utc).timestamp()):
                break
            walls.append(one)
            if len(walls) >= limit:
                break
    dropped = event.get("EXDATE", [])
    dropped = {moment(d.dt.replace(tzinfo=None), zone) for one in (dropped if isinstance(dropped, list) else [dropped]) for d in one.dts}
    starts = [moment(w, zone) for w in walls]
    attendees = event.get("ATTENDEE", [])
    events.append({
        "uid": str(event["UID"]),
        "summary": str(event.get("SUMMARY", "")),
        "location": str(event["LOCATION"]) if "LOCATION" in event else None,
        "organizer": str(event["ORGANIZER"]),
        "attendees": len(attendees) if isinstance(attendees, list) else 1,
        "starts": [s for s in starts if s not in dropped],
    })
print(json.dumps({"method": str(calendar.get("METHOD", "")), "events": events}))
