# frozen_string_literal: true

module SteadyMove
  module Core
    module Contacts
      # What can be done about a contact's address, each with its consequences, before anything is changed. The one that costs least time
      # stands first. The block after a registrant change: ICANN Transfer Policy II.C, from memory; the rest is common practice, no source.
      module Repairs
        # id; title; says: consequences as sentences (instants as marks); blocks: [which, Time from, Time until] or nil;
        # changes: [role, field] or nil; possible: can it be done; best: no better one can.
        Choice = Struct.new(:id, :title, :says, :blocks, :changes, :possible, :best, keyword_init: true)

        DAY = 86_400
        ADMIN = "Change the administrative contact's address"

        module_function

        # role: whose address decides (registrant or admin); at: Time; block_days: that a registrant change blocks in this suffix, nil where none;
        # opt_out: does the registrar offer to go without it; late: seconds until an edit counts there; shared: names that have the same contact;
        # mail_decides: does a mail to that address decide this move; code_elsewhere: can the code be had without that mailbox;
        # same_entry: is the administrative contact the registrant's own entry.
        # Returns [Choice].
        def choices(role:, at:, block_days:, opt_out:, late:, shared:, mail_decides:, code_elsewhere:, same_entry: false)
          ends = block_days && (at + (block_days * DAY))
          list = [
            Choice.new(id: "read", title: "Have the address read again", possible: true, says: ["Nothing changes at the registrar and nothing is blocked: somebody opens that mailbox, or its mail is passed on to one that is read."]),
            admin(role, late, shared, mail_decides, same_entry), opted_out(role, opt_out, shared), after(mail_decides, code_elsewhere, ends),
            registrant(role, ends, at, shared)
          ].compact
          best = list.find(&:possible)
          list.each { |c| c.best = c.equal?(best) }
        end

        def admin(role, late, shared, mail_decides, same_entry)
          reaches = role == "admin" || !mail_decides
          return Choice.new(id: "admin", title: ADMIN, possible: false, says: ["The administrative contact is the registrant's own entry there: a change of the one is a change of the other. Have a separate entry made for it first."]) if same_entry

          Choice.new(id: "admin", title: ADMIN, changes: %w[admin email], possible: reaches,
                     says: ["This starts no block: only the registrant's name, organization and e-mail do.", waits(late), also(shared), ("It would not help here: the mail that decides goes to the registrant." unless reaches)].compact)
        end

        def opted_out(role, opt_out, shared)
          return if role == "admin"

          Choice.new(id: "opt-out", title: "Change the registrant's address, opting out of the block", changes: %w[registrant email], possible: opt_out == true,
                     says: [opt_out ? "The opt-out has to be declared before the change; then nothing is blocked." : "This registrar is not known to offer the opt-out; note it under Accounts if it does.", also(shared)].compact)
        end

        # After landing the block hurts nobody, but then the present address must not decide the move.
        def after(mail_decides, code_elsewhere, ends)
          possible = !mail_decides || code_elsewhere
          Choice.new(id: "after", title: "Move first, and change it at the new registrar", possible: possible,
                     says: [possible ? "Nothing is blocked before the move; a change afterwards blocks only the next one." : "The mail that decides this move goes to that address, so it has to be read before.",
                            ("A change right after landing would end its block in the same days as the move's own." if possible && ends)].compact)
        end

        def registrant(role, ends, at, shared)
          return if role == "admin"

          Choice.new(id: "registrant", title: "Change the registrant's address now", changes: %w[registrant email], possible: true, blocks: ends && ["registrant-change", at, ends],
                     says: [ends ? "This starts a new block: the name can't move until #{mark(ends)}." : "This suffix knows no block after such a change.", also(shared)].compact)
        end

        def waits(late) = ("An edit there counts only #{late >= 7200 ? "#{(late / 3600.0).round} hours" : "#{(late / 60.0).round} minutes"} later; ask for the code after that." if late.to_i.positive?)
        def also(shared) = ("The same contact stands at #{shared} other #{shared == 1 ? 'name' : 'names'}: all of them change with it." if shared.to_i.positive?)
        def mark(time) = "<#{time.utc.strftime('%Y-%m-%dT%H:%M:%SZ')}>"
        private_class_method :admin, :opted_out, :after, :registrant, :waits, :also, :mark
      end
    end
  end
end
