"""The dates of rules by dateutil. Lines of {dtstart, rrule, limit} in, lists of wall times out."""
import itertools
import json
import sys
from datetime import datetime

from dateutil import rrule

for line in sys.stdin:
    asked = json.loads(line)
    rule = rrule.rrulestr(asked["rrule"], dtstart=datetime.strptime(asked["dtstart"], "%Y-%m-%dT%H:%M:%S"))
    print(json.dumps([one.strftime("%Y-%m-%dT%H:%M:%S") for one in itertools.islice(rule, asked["limit"])]))
