# frozen_string_literal: true

module SteadyMove
  class Cli
    # Every command with what it does, as --help prints it.
    module Usage
      TEXT = <<~TEXT
        Usage: bin/steady-move COMMAND [--config FILE]   (or --version, --help)
          serve [--port PORT] [--data FOLDER]
                                serve the desk with the system's clock (bin/start does the same)
          backup FILE           the database and the key file in one archive, while it runs, too
          restore FILE          put a backup into an empty data folder; with --check only see
                                whether it could be
          verify                walk through journal, seals and references; says what is wrong where
          change-key            seal everything with a new key (while the desk doesn't run)
          check                 is the configuration file right, can its files be read
          test-alert            sends a trial by each way that alerts have
          export FOLDER         everything in open formats: JSON lines, zone files, .eml, CSV;
                                never a code or password
          import FOLDER         an export into an empty data folder
          purge --before DATE   clears bodies of mail, proofs of contacts and looks that are older
          people list           who may sign in; also:
            people add EMAIL ROLE, role EMAIL ROLE, password EMAIL, unlock EMAIL,
            forget-factor EMAIL, end-sessions EMAIL, remove EMAIL
                                ROLE is viewer, mover, approver or administrator

        Against a running desk (address in STEADY_MOVE_DESK, own token in STEADY_MOVE_TOKEN):
          desk list [--to ACCOUNT]          every name with its verdict, one line of JSON each
          desk judge NAME [--to ACCOUNT]    one name; ends with 0 where it can go
          desk plan NAME --to ACCOUNT       what a move would do and cost; 0 where it can start
          desk start NAME --to ACCOUNT      starts it
          desk follow MOVE                  a line whenever it has come further; 0 where it settled

        For scripts, without database and server (FILE may be - for standard input):
          judge FILE [--at INSTANT] [--to ACCOUNT [--accounts FILE]] [--horizon DAYS]
                                RFC 9083 domain objects in, one line of JSON for each out
          expiry --expires INSTANT --landed INSTANT [--years N] [--max-years N] [--in-grace]
                                the new expiry; “ten-years” on standard error where it was cut
          codes FILE            a list of names and authorization codes in, a line of JSON for
                                each line out
          zone canonical FILE --origin NAME [--keep]
                                one record a line in canonical form and order (RFC 4034 §6);
                                with --keep what is right is printed although something is wrong
          zone compare OLD NEW --origin NAME
                                a line of JSON for each record set that differs, and what would
                                break; 0 where all is the same, 1 where something differs, 2
                                where a file can't be read
          handover FILE         TTLs and circumstances as JSON in, the instants of a handover out
          read-mail FILE… --names NAME,… [--sender-domains DOMAIN,…] [--authserv-id ID,…]
                                what each message (RFC 5322) seems to be: sender (proven,
                                unproven or doubtful), kind, code, links, deadline; ID is the
                                mailbox's own server in its Authentication-Results (RFC 8601)
      TEXT
    end
  end
end
