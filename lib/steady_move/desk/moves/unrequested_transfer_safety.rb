# frozen_string_literal: true

require "securerandom"

module SteadyMove
  module Desk
    module Moves
      # After a transfer that nobody ordered: the lock on and seen, and another code in place of the
      # one that somebody else has. Over the account's connection where it has one, else as tasks of
      # a person.
      class UnrequestedTransferSafety
        LOCK = Core::Names::Statuses::LOCK

        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = @ports.unrequested_transfers
        end

        # What is still to be done for one that is unsafe: any of lock and code.
        def left(stray)
          return [] unless stray.unsafe?

          [
            ("lock" if wants_lock?(stray) && stray.lock_seen_at.nil?),
            ("code" if wants_code?(stray.name) && stray.code_new_at.nil?)
          ].compact
        end

        # A look at the name: is the lock on by what the account says, else by the public record?
        def seen(name, look)
          stray = @rows.of_name(name)
          return unless stray&.unsafe?

          shown = look.account || look.record
          if shown.include?(LOCK) && stray.lock_seen_at.nil?
            stray = @rows.change(stray.id, lock_seen_at: @ports.now)
            write(name, "desk", "stray_locked")
          end
          finish(stray)
        end

        # Puts the lock on and sets another code, over the connection. What could not be done stays
        # to be done. Raises Refused where the account has none.
        def secure(name, by:)
          stray = unsafe(name)
          account = @ports.accounts.find(stray.account_id)
          raise Refused.new(:not_now, :secure_by_hand, at: account.title) unless account.epp?

          @ports.codes.wipe(name)
          left(stray).each do |what|
            what == "lock" ? lock(stray, account, by) : code(stray, account, by)
          end
        end

        # A person had another code set on the registrar's own pages: nobody else can see that.
        # Raises Refused.
        def said_code(name, by:)
          stray = unsafe(name)
          @ports.codes.wipe(name)
          stray = @rows.change(stray.id, code_new_at: @ports.now, code_new_by: by)
          write(name, by, "stray_code_said", by: by)
          finish(stray)
        end

        private

        def unsafe(name)
          stray = @rows.of_name(name)
          raise Refused.new(:not_now, :nothing_unsafe, name: name) unless stray&.unsafe?

          stray
        end

        # Where a move of ours has it off on purpose, and nothing is ordered yet, the new code keeps
        # others out.
        def wants_lock?(stray)
          family(stray.name)&.lock != "none" && @ports.moves.open_for(stray.name).nil?
        end
        def wants_code?(name) = family(name)&.code != "none"
        def family(name) = @ports.rulebook.family_of(Core::Names::DomainName.held(name))

        def lock(stray, account, person)
          write(stray.name, person, "stray_locking", at: account.title)
          send_to(account, name: stray.name, add: { statuses: [LOCK] })
        rescue Wire::Error => e
          write(
            stray.name,
            "desk",
            "stray_not_secured",
            what: Words.phrase("strays.left.lock"),
            says: e.says
          )
        end

        def code(stray, account, person)
          write(stray.name, person, "stray_coding", at: account.title)
          send_to(account, name: stray.name, auth_info: Core::Codes::Code.fresh(SecureRandom))
          @rows.change(stray.id, code_new_at: @ports.now, code_new_by: "desk")
          write(stray.name, "desk", "stray_code_new", at: account.title)
        rescue Wire::Error => e
          write(
            stray.name,
            "desk",
            "stray_not_secured",
            what: Words.phrase("strays.left.code"),
            says: e.says
          )
        end

        def send_to(account, **change)
          command = Wire::Epp::Commands.update(**change, id: "safe-#{@ports.random.rand(10**9)}")
          @ports.epp.with(account) { |c| c.request(command) }
        end

        def finish(stray)
          return if left(stray).any?

          @rows.change(stray.id, state: "over")
          write(stray.name, "desk", "stray_safe")
        end

        def write(name, who, key, **values)
          @ports.journal.add(
            "stray",
            at: @ports.now,
            by: who,
            name: name,
            says: Words.phrase("journal.#{key}", **values)
          )
        end
      end
    end
  end
end
