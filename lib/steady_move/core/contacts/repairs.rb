# frozen_string_literal: true

module SteadyMove
  module Core
    module Contacts
      # What can be done about a contact's address, each with its consequences, before anything is
      # changed. The one that costs least time stands first. The block after a registrant change:
      # ICANN Transfer Policy II.C, from memory; the rest is common practice, no source.
      module Repairs
        # id; title: Phrase; says: consequences as Phrases; blocks: [which, Time from, Time until]
        # or nil; changes: [role, field] or nil; possible: can it be done; best: no better one can.
        Choice =
          Struct.new(:id, :title, :says, :blocks, :changes, :possible, :best, keyword_init: true)

        DAY = 86_400

        module_function

        # role: whose address decides (registrant, admin, or technical: its address is noted by
        # hand, so it can only be read); at: Time; block_days: that a registrant change blocks in
        # this suffix, nil where none; opt_out: does the registrar offer to go without it; late:
        # seconds until an edit counts there; shared: names that have the same contact;
        # mail_decides: does a mail to that address decide this move; code_elsewhere: can the code
        # be had without that mailbox; same_entry: is the administrative contact the registrant's
        # own entry. Returns [Choice].
        def choices(
          role:,
          at:,
          block_days:,
          opt_out:,
          late:,
          shared:,
          mail_decides:,
          code_elsewhere:,
          same_entry: false
        )
          ends = block_days && (at + (block_days * DAY))
          return [choice("read", [:unchanged], possible: true, best: true)] if role == "technical"

          list = [
            choice("read", [:unchanged], possible: true),
            admin(role, late, shared, mail_decides, same_entry),
            opted_out(role, opt_out, shared),
            after(mail_decides, code_elsewhere, ends),
            registrant(role, ends, at, shared)
          ].compact
          best = list.find(&:possible)
          list.each { |c| c.best = c.equal?(best) }
        end

        # says: keys, or Phrases, below “contacts.repairs”.
        def choice(id, says, **more)
          said = says.compact.map { |s| s.is_a?(Phrase) ? s : phrase(s) }
          Choice.new(id: id, title: phrase("title.#{id}"), says: said, **more)
        end

        def phrase(key, **values) = Phrase.of("contacts.repairs.#{key}", **values)

        def admin(role, late, shared, mail_decides, same_entry)
          return choice("admin", [:same_entry], possible: false) if same_entry

          reaches = role == "admin" || !mail_decides
          choice(
            "admin",
            [:no_block, waits(late), also(shared), (:does_not_reach unless reaches)],
            changes: %w[admin email],
            possible: reaches
          )
        end

        def opted_out(role, opt_out, shared)
          return if role == "admin"

          says = [opt_out ? :opt_out_first : :opt_out_unknown, also(shared)]
          choice("opt-out", says, changes: %w[registrant email], possible: opt_out == true)
        end

        # After landing the block hurts nobody, but then the present address must not decide the
        # move.
        def after(mail_decides, code_elsewhere, ends)
          possible = !mail_decides || code_elsewhere
          choice(
            "after",
            [
              possible ? :after_landing : :after_is_too_late,
              (:ends_with_the_moves_own if possible && ends)
            ],
            possible: possible
          )
        end

        def registrant(role, ends, at, shared)
          return if role == "admin"

          says = ends ? phrase(:starts_a_block, until: ends) : :no_block_here
          choice(
            "registrant",
            [says, also(shared)],
            changes: %w[registrant email],
            possible: true,
            blocks: ends && ["registrant-change", at, ends]
          )
        end

        def waits(late)
          return unless late.to_i.positive?

          unit, size = late >= 7200 ? ["hour", 3600.0] : ["minute", 60.0]
          phrase(:counts_late, span: Phrase.of("common.#{unit}", count: (late / size).round))
        end

        def also(shared) = (phrase(:shared, count: shared) if shared.to_i.positive?)
        private_class_method :choice,
                             :phrase,
                             :admin,
                             :opted_out,
                             :after,
                             :registrant,
                             :waits,
                             :also
      end
    end
  end
end
