"""Takes a mail apart with Python's email package: headers, parts, and what its calendar part holds by Debian's python3-icalendar."""
import email
import email.policy
import json
import sys

import icalendar

mail = email.message_from_binary_file(sys.stdin.buffer, policy=email.policy.default)
parts = [part for part in mail.walk() if not part.is_multipart()]
calendar = next(part for part in parts if part.get_content_type() == "text/calendar")
attached = [part for part in parts if part.is_attachment()]
events = icalendar.Calendar.from_ical(calendar.get_payload(decode=True)).walk("VEVENT")
print(json.dumps({
    "subject": str(mail["Subject"]),
    "to": [[a.display_name, a.addr_spec] for a in mail["To"].addresses],
    "from": [[a.display_name, a.addr_spec] for a in mail["From"].addresses],
    "auto": str(mail["Auto-Submitted"]),
    "language": str(mail["Content-Language"]),
    "structure": [part.get_content_type() for part in mail.walk()],
    "method": calendar.get_param("method"),
    "charset": calendar.get_param("charset"),
    "text": next(part for part in parts if part.get_content_type() == "text/plain").get_content(),
    "attached": [[part.get_content_type(), part.get_filename(), part.get_payload(decode=True) == calendar.get_payload(decode=True)] for part in attached],
    "defects": [str(d) for part in mail.walk() for d in part.defects],
    "events": [[str(e["UID"]), int(e.get("SEQUENCE", 0)), e["RECURRENCE-ID"].to_ical().decode() if "RECURRENCE-ID" in e else None, str(e.get("LOCATION", "")), len(e.errors)] for e in events],
}))
