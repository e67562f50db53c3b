package app.unciala.server.check;

import app.unciala.server.check.BrowserReadings.KeptReading;
import app.unciala.server.check.BrowserReadings.ReadingKey;
import app.unciala.server.check.CheckService.CheckLine;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.CrossOrigin;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class BrowserReadingController {
    private final BrowserReadings readings;

    BrowserReadingController(BrowserReadings readings) {
        this.readings = readings;
    }

    @GetMapping("/sites/{id}/page-readings")
    List<KeptReading> list(@PathVariable String id) {
        return readings.of(id);
    }

    /** Takes the JSON of a reading, whose shape {@code docs/page-reading.md} describes. */
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(mediaType = "application/json", schema = @Schema(type = "object")))
    @PostMapping("/sites/{id}/page-readings")
    @ResponseStatus(HttpStatus.ACCEPTED)
    CheckLine add(@PathVariable String id, @Parameter(hidden = true) InputStream body) throws IOException {
        return readings.add(id, body);
    }

    @PostMapping("/sites/{id}/reading-keys")
    @ResponseStatus(HttpStatus.CREATED)
    ReadingKey newKey(@PathVariable String id) {
        return readings.newKey(id);
    }

    @DeleteMapping("/page-readings/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String id) {
        readings.remove(id);
    }

    /** Takes the JSON of a reading from any page, without a session: whoever has the key may send one. */
    @CrossOrigin("*")
    @PostMapping("/sent-readings/{key}")
    @ResponseStatus(HttpStatus.ACCEPTED)
    CheckLine addSent(@PathVariable String key, @Parameter(hidden = true) InputStream body) throws IOException {
        return readings.addSent(key, body);
    }
}
