/* Reads VTIMEZONEs with libical. Lines of tzid TAB moments, commas between them TAB text with \n for its line ends in; tzid TAB offsets out. */
#include <libical/ical.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static icaltimezone *zone_of(char *text)
{
    char *unfolded = malloc(strlen(text) * 2 + 64), *to = unfolded;
    to += sprintf(to, "BEGIN:VCALENDAR\r\n");
    for (char *from = text; *from && *from != '\n'; from++) {
        if (from[0] == '\\' && from[1] == 'n') {
            *to++ = '\r';
            *to++ = '\n';
            from++;
        } else {
            *to++ = *from;
        }
    }
    strcpy(to, "END:VCALENDAR\r\n");
    icalcomponent *calendar = icalparser_parse_string(unfolded);
    icalcomponent *component = icalcomponent_get_first_component(calendar, ICAL_VTIMEZONE_COMPONENT);
    icalcomponent_remove_component(calendar, component);
    icaltimezone *zone = icaltimezone_new();
    icaltimezone_set_component(zone, component);
    icalcomponent_free(calendar);
    free(unfolded);
    return zone;
}

int main(void)
{
    char *line = NULL;
    size_t size = 0;
    icalerror_set_errors_are_fatal(0);
    while (getline(&line, &size, stdin) > 0) {
        char *id = strtok(line, "\t"), *moments = strtok(NULL, "\t"), *text = strtok(NULL, "\t");
        if (id == NULL || moments == NULL || text == NULL) {
            continue;
        }
        icaltimezone *zone = zone_of(text);
        printf("%s\t", id);
        int first = 1;
        for (char *next = moments; *next; next += strcspn(next, ",") + (next[strcspn(next, ",")] == ',')) {
            int is_daylight;
            struct icaltimetype moment = icaltime_from_timet_with_zone((time_t) atoll(next), 0, icaltimezone_get_utc_timezone());
            printf("%s%d", first ? "" : ",", icaltimezone_get_utc_offset_of_utc_time(zone, &moment, &is_daylight));
            first = 0;
        }
        printf("\n");
        icaltimezone_free(zone, 1);
    }
    free(line);
    return 0;
}
