# frozen_string_literal: true

module SteadyMove
  module Desk
    module Accounts
      # The code safe: authorization codes by name, sealed; kept from lists, looked at on somebody's
      # word, checked, wiped.
      class CodeSafe
        # A line of a list as it is shown: never the code itself. fate: new, replaces, refused, or
        # kept once it was kept.
        Row = Struct.new(:number, :name, :fate, :says, keyword_init: true)
        # A code in the safe. expires_at: Time or nil; move_id: of the move it was fetched for, or
        # nil.
        Held = Struct.new(:name, :state, :received_at, :expires_at, :move_id, keyword_init: true)

        # Two codes of a name: since when one is held, and the later one, which differs.
        Choice = Struct.new(:name, :held_at, :received_at, :sent_by, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Names that have two codes. Returns [Choice].
        def choices
          @ports.codes.proposed.map do |row|
            held_at, = @ports.codes.held(row[:name])[row[:name]]
            Choice.new(
              name: row[:name],
              held_at: Store::Values.time(held_at),
              received_at: Store::Values.time(row[:received_at]),
              sent_by: row[:sent_by]
            )
          end
        end

        # later: the later one is taken; else the one that is held stays. The other is wiped. Raises
        # Refused.
        def choose(name, later:, by:)
          done = later ? @ports.codes.take_proposed(name) : drop(name)
          raise Refused.new(:not_now, :no_two_codes, name: name) unless done

          note(name, later ? "code-chosen" : "code-stays", by, type: "code-chosen")
          move = @ports.moves.open_for(name)
          @ports.schedule.wake(move.id, @ports.now) if move
        end

        # What would become of each line of a list. Returns [Row].
        def preview(text) = lines(text).map { |l| row(l) }

        # Keeps the good lines; only: their numbers, or nil for all. Returns [Row].
        def keep(text, by:, only: nil)
          lines(text).map do |line|
            shown = row(line)
            next shown if shown.fate == "refused" || (only && !only.include?(line.number))

            @ports.codes.keep(line.name.ascii, line.code, at: @ports.now)
            note(line.name.ascii, "code-kept", by)
            shown.tap { |r| r.fate = "kept" }
          end
        end

        # Keeps one code that a person copied, as it is (rules of the job §7). Returns warnings as
        # sentences; raises Refused.
        def put(name, code, by:)
          raise Refused.new(:unknown, :not_held, name: name) unless @ports.names.find(name)

          bare = code.strip
          raise Refused.new(:not_now, :code_empty) if bare.empty?

          @ports.codes.keep(name, bare, at: @ports.now)
          note(name, "code-kept", by)
          move = @ports.moves.open_for(name)
          @ports.schedule.wake(move.id, @ports.now) if move
          dropped = bare == code ? [] : [Words.say(:"codes.warnings.outer_dropped")]
          dropped + Core::Codes::Code.warnings(bare, typed: true).map { |w| Words.text(w) }
        end

        # Every code that is held, by name. Returns [Held].
        def all
          @ports.codes.all_live.map do |r|
            lives = @ports.rulebook.code_life(Core::Names::DomainName.held(r[:name]))
            received = Store::Values.time(r[:received_at])
            Held.new(
              name: r[:name],
              state: r[:state],
              received_at: received,
              move_id: r[:move_id],
              expires_at: lives && (received + lives)
            )
          end
        end

        # The code in the clear, on somebody's word; copied: it went to the clipboard. Raises
        # Refused.
        def reveal(name, by:, copied: false)
          held(name).tap { note(name, copied ? "code-copied" : "code-seen", by, type: "code-seen") }
        end

        # Asks the registry by EPP info with the code (RFC 5731 §3.1.2). Returns “checked” or
        # “rejected”; raises Refused.
        def check(name, by:)
          code = held(name)
          account = asker(name) or raise Refused.new(:not_now, :nobody_to_ask)
          state = asked(account, name, code)
          @ports.codes.mark(name, state)
          note(name, "code-#{state}", by, type: "code-checked", title: account.title)
          state
        end

        def wipe(name, by:)
          raise Refused.new(:not_now, :no_code, name: name) if @ports.codes.wipe(name).zero?

          note(name, "code-wiped", by)
        end

        private

        def drop(name) = @ports.codes.drop_proposed(name).positive?

        def held(name) =
          @ports.codes.newest(name) || raise(Refused.new(:not_now, :no_code, name: name))
        def lines(text) = Core::Codes::List.read(text, suffixes: @ports.rulebook.deep_suffixes)

        def row(line)
          if line.error
            return Row.new(number: line.number, fate: "refused", says: Words.text(line.error))
          end

          name = line.name.ascii
          unless @ports.names.find(name)
            return(
              Row.new(
                number: line.number,
                name: name,
                fate: "refused",
                says: Words.say(:"refused.not_held", name: line.name.unicode)
              )
            )
          end

          again = @ports.codes.held(name).any?
          says = [
            *line.warnings.map { |w| Words.text(w) },
            (Words.say(:"codes.replaces") if again)
          ].compact.join(" ")
          Row.new(number: line.number, name: name, fate: again ? "replaces" : "new", says: says)
        end

        # The usual destination's connection, else any other than the one that holds the name.
        def asker(name)
          holder = @ports.names.find(name)&.fetch(:account_id)
          open = @ports.accounts.all.select { |a| a.epp? && a.id != holder }
          open.find { |a| a.id == Destinations.usual(@ports) } || open.first
        end

        def asked(account, name, code)
          command =
            Wire::Epp::Commands.info(
              name: name,
              id: "code-#{@ports.random.rand(10**9)}",
              auth_info: code
            )
          @ports.epp.with(account) { |c| c.request(command) }
          "checked"
        rescue Wire::Refused => e
          if %i[code not_ours].include?(Core::Moves::Answers.meaning("info", e.code))
            return "rejected"
          end

          raise Refused.new(:not_now, :question_refused, title: account.title, says: e.says)
        rescue Wire::Error => e
          raise Refused.new(:not_now, :account_says, title: account.title, says: e.says)
        end

        def note(name, key, by, type: key, **values)
          says = Words.phrase("journal.#{key.tr("-", "_")}", by: by, **values)
          @ports.journal.add(type, at: @ports.now, says: says, by: by, name: name)
        end
      end
    end
  end
end
