package app.unciala.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.server.fault.Fault;
import org.junit.jupiter.api.Test;

class SignInLimitTest {
    private final SignInLimit limit = new SignInLimit();

    @Test
    void anAccountHasEightTriesAtOnceFromWhereverTheyCome() {
        for (int i = 0; i < 8; i++) {
            limit.take("mara", "10.0.0." + i);
        }
        assertThatThrownBy(() -> limit.take("MARA", "10.0.1.1"))
                .isInstanceOfSatisfying(
                        Fault.class, fault -> assertThat(fault.kind()).isEqualTo(Fault.Kind.TOO_MANY));
        limit.take("ilse", "10.0.0.1");
    }

    @Test
    void anAddressHasThirtyTriesForWhateverAccounts() {
        for (int i = 0; i < 30; i++) {
            limit.take("account" + i, "10.0.0.1");
        }
        assertThatThrownBy(() -> limit.take("another", "10.0.0.1")).isInstanceOf(Fault.class);
        limit.take("another", "10.0.0.2");
    }

    @Test
    void aTryThatSucceedsIsGivenBack() {
        for (int i = 0; i < 100; i++) {
            limit.take("mara", "10.0.0.1").succeeded();
        }
        limit.take("mara", "10.0.0.1");
    }
}
