package app.unciala.core.sentence;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/** The interface writes the same in format.test.ts. */
class SentencesTest {
    @Test
    void daysNumbersAndNamesAreAmericanEnglishWhateverTheMachineSpeaks() {
        Locale before = Locale.getDefault();
        Locale.setDefault(Locale.GERMANY);
        try {
            assertEquals("Mar 4, 2026", Sentences.day(LocalDate.of(2026, 3, 4)));
            assertEquals("1,200 faces", Sentences.count(1200, "face", "faces"));
        } finally {
            Locale.setDefault(before);
        }
        assertEquals("1 face", Sentences.count(1, "face", "faces"));
        assertEquals("0 faces", Sentences.count(0, "face", "faces"));
        assertEquals("", Sentences.listed(List.of()));
        assertEquals("a", Sentences.listed(List.of("a")));
        assertEquals("a and b", Sentences.listed(List.of("a", "b")));
        assertEquals("a, b, and c", Sentences.listed(List.of("a", "b", "c")));
    }
}
