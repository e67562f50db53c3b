package app.unciala.server.account;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** On the first start of an empty inventory, makes an administrator and says how to sign in. */
@Component
@Profile("!demo & !large")
class FirstAdministrator implements ApplicationRunner {
    private final AccountService accounts;
    private final String chosen;

    FirstAdministrator(AccountService accounts, @Value("${unciala.admin-password}") String chosen) {
        this.accounts = accounts;
        this.chosen = chosen;
    }

    @Override
    public void run(ApplicationArguments args) {
        if (!accounts.isEmpty()) {
            return;
        }
        if (chosen.isEmpty()) {
            System.out.println(
                    "First start: sign in as “admin” with the password " + accounts.createFirstAdministrator());
        } else {
            accounts.create("admin", "Administrator", Level.ADMINISTRATOR, chosen);
        }
    }
}
