package app.unciala.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.check.CheckDifference.PageSaid;
import app.unciala.core.check.CheckDifference.Told;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What must hold of the difference of any two checks. */
class CheckDifferenceTest {
    static IntStream seeds() {
        return IntStream.range(0, 200);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void whatAppearsOneWayIsGoneTheOther(int seed) {
        Random random = new Random(seed);
        Told before = told(random);
        Told now = told(random);
        CheckDifference there = CheckDifference.between(before, now);
        CheckDifference back = CheckDifference.between(now, before);

        assertThat(there.newPages()).isEqualTo(back.pagesNotRead());
        assertThat(there.appeared().stream().filter(said -> before.pages().contains(said.page())))
                .containsExactlyInAnyOrderElementsOf(back.gone());
        assertThat(there.gone())
                .allMatch(said ->
                        now.pages().contains(said.page()) && before.said().contains(said));
        assertThat(there.appeared()).doesNotContainAnyElementsOf(before.said()).doesNotHaveDuplicates();
        Set<PageSaid> after = new HashSet<>(before.said());
        there.gone().forEach(after::remove);
        after.addAll(there.appeared());
        after.removeIf(said -> !now.pages().contains(said.page()));
        assertThat(after).as("before, with what is gone and new, is now").isEqualTo(Set.copyOf(now.said()));
        assertThat(CheckDifference.between(now, now).isEmpty()).isTrue();
    }

    private static Told told(Random random) {
        Set<String> pages = new LinkedHashSet<>();
        random.ints(4, 0, 6).forEach(page -> pages.add("p" + page));
        List<String> read = List.copyOf(pages);
        return new Told(
                pages,
                random.ints(8, 0, 5)
                        .mapToObj(said -> new PageSaid(
                                read.get(random.nextInt(read.size())), "kind" + said % 2, "error", "message " + said))
                        .toList());
    }
}
