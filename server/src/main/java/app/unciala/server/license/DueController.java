package app.unciala.server.license;

import app.unciala.server.license.CostService.CostTable;
import app.unciala.server.license.DueDates.Due;
import java.util.List;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What falls due and what it costs, as a list and as a calendar to subscribe to. */
@RestController
@RequestMapping("/api")
class DueController {
    private static final int MOST_MONTHS = 60;

    private final DueDates dueDates;
    private final CostService costs;
    private final CalendarService calendars;

    DueController(DueDates dueDates, CostService costs, CalendarService calendars) {
        this.dueDates = dueDates;
        this.costs = costs;
        this.calendars = calendars;
    }

    /** The path of a calendar; it is told once, as only its digest is kept. */
    record CalendarAddress(String path) {}

    record CalendarState(boolean open) {}

    @GetMapping("/due")
    List<Due> due(@RequestParam(defaultValue = "18") int months) {
        return dueDates.within(clamped(months));
    }

    /** What licenses cost in this month and those after it, by client. */
    @GetMapping("/costs")
    CostTable costs(@RequestParam(defaultValue = "12") int months) {
        return costs.within(clamped(months));
    }

    private static int clamped(int months) {
        return Math.max(1, Math.min(MOST_MONTHS, months));
    }

    @GetMapping("/session/calendar")
    CalendarState state() {
        return new CalendarState(calendars.isOpen());
    }

    @PostMapping("/session/calendar")
    CalendarAddress renew() {
        return new CalendarAddress("/api/calendar/" + calendars.renew() + ".ics");
    }

    @DeleteMapping("/session/calendar")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void close() {
        calendars.close();
    }

    @GetMapping(path = "/calendar/{secret}.ics", produces = "text/calendar;charset=UTF-8")
    ResponseEntity<String> calendar(@PathVariable String secret) {
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(calendars.calendar(secret));
    }
}
