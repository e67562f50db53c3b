package app.unciala.server.account;

import org.springframework.data.jpa.repository.JpaRepository;

interface InvitationRepository extends JpaRepository<Invitation, String> {
    void deleteByAccount(String account);
}
