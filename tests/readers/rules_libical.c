/* The dates of rules by libical. Lines of dtstart TAB rrule TAB limit in, wall times with commas between them out. */
#include <libical/ical.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

int main(void)
{
    char line[2048], start[32], rule[1024];
    int limit;
    icalerror_set_errors_are_fatal(0);
    while (fgets(line, sizeof line, stdin)) {
        if (sscanf(line, "%31[^\t]\t%1023[^\t]\t%d", start, rule, &limit) != 3) {
            continue;
        }
        struct icalrecurrencetype read = icalrecurrencetype_from_string(rule);
        icalrecur_iterator *walk = icalrecur_iterator_new(read, icaltime_from_string(start));
        if (walk == NULL) {
            printf("refused\n");
            continue;
        }
        int found = 0;
        for (struct icaltimetype next = icalrecur_iterator_next(walk); found < limit && !icaltime_is_null_time(next); next = icalrecur_iterator_next(walk)) {
            printf("%s%04d-%02d-%02dT%02d:%02d:%02d", found++ ? "," : "", next.year, next.month, next.day, next.hour, next.minute, next.second);
        }
        printf("\n");
        icalrecur_iterator_free(walk);
    }
    return 0;
}
