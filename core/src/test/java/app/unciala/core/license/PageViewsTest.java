package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.license.PageViews.Reading;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Arrays;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A license that permits 100 page views a month, on June 20, 2030. */
class PageViewsTest {
    private static final LocalDate DAY = LocalDate.of(2030, 6, 20);

    @ParameterizedTest
    @CsvSource({
        "'', 0, none were read yet",
        "'a 4 90', 0, 90 were read in April 2030",
        "'a 4 70; b 4 60', 30, 130 were read in April 2030",
        // One site alone says nothing of the others.
        "'a 4 70; b 4 60; a 5 20', 30, 130 were read in April 2030",
        "'a 4 70; b 4 60; a 5 20; b 6 70', 0, 70 were read in June 2030",
        "'a 4 70; b 4 60; a 5 50; b 5 60', 10, 110 were read in May 2030",
        // A site that was added since counts, too.
        "'a 4 70; b 4 60; a 5 40; b 6 30; c 6 40', 30, 130 were read in April 2030",
        "'a 4 130; a 5 80; a 7 300', 0, 80 were read in May 2030"
    })
    void anOverrunStaysUntilAllItsSitesAreReadAgainAndWithinTheLimit(String readings, long over, String words) {
        PageViews views = new PageViews(
                100,
                Arrays.stream(readings.split("; "))
                        .filter(one -> !one.isEmpty())
                        .map(one -> one.split(" "))
                        .map(one -> new Reading(
                                one[0], YearMonth.of(2030, Integer.parseInt(one[1])), Long.parseLong(one[2])))
                        .toList());
        assertThat(views.over(DAY)).isEqualTo(over);
        assertThat(views.words(DAY)).endsWith(words);
    }
}
