/* Reads a calendar message with libical. Out: its method, faults that libical finds in it, and by event its UID, SEQUENCE, RECURRENCE-ID,
   start as a moment of UTC, length in minutes and place. */
#include <libical/ical.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static long moment(icalcomponent *event, icalproperty_kind kind, struct icaltimetype (*get)(const icalproperty *))
{
    icalproperty *property = icalcomponent_get_first_property(event, kind);
    if (property == NULL) {
        return 0;
    }
    struct icaltimetype time = icalproperty_get_datetime_with_component(property, icalcomponent_get_parent(event));
    (void)get;
    return (long)icaltime_as_timet_with_zone(time, icaltime_get_timezone(time));
}

int main(void)
{
    size_t size = 0, room = 1 << 22;
    char *text = calloc(1, room);
    size = fread(text, 1, room - 1, stdin);
    text[size] = 0;
    icalerror_set_errors_are_fatal(0);
    icalcomponent *root = icalparser_parse_string(text);
    if (root == NULL) {
        return 1;
    }
    printf("%s %d\n", icalproperty_method_to_string(icalcomponent_get_method(root)), icalcomponent_count_errors(root));
    for (icalcomponent *event = icalcomponent_get_first_component(root, ICAL_VEVENT_COMPONENT); event != NULL; event = icalcomponent_get_next_component(root, ICAL_VEVENT_COMPONENT)) {
        long start = moment(event, ICAL_DTSTART_PROPERTY, NULL), end = moment(event, ICAL_DTEND_PROPERTY, NULL);
        printf("%s|%d|%ld|%ld|%ld|%s\n", icalcomponent_get_uid(event), icalcomponent_get_sequence(event), moment(event, ICAL_RECURRENCEID_PROPERTY, NULL), start, (end - start) / 60, icalcomponent_get_location(event) ? icalcomponent_get_location(event) : "");
    }
    return 0;
}
