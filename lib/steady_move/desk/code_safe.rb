# frozen_string_literal: true

module SteadyMove
  module Desk
    # The code safe: authorization codes by name, sealed; kept from lists, looked at on somebody's word, checked, wiped.
    class CodeSafe
      # What can't be done; says why.
      class Invalid < StandardError; end

      # A line of a list as it is shown: never the code itself. fate: new, replaces, refused, or kept once it was kept.
      Row = Struct.new(:number, :name, :fate, :says, keyword_init: true)
      # A code in the safe. expires_at: Time or nil; move_id: of the move it was fetched for, or nil.
      Held = Struct.new(:name, :state, :received_at, :expires_at, :move_id, keyword_init: true)

      def initialize(app)
        @app = app
      end

      # What would become of each line of a list. Returns [Row].
      def preview(text) = lines(text).map { |l| row(l) }

      # Keeps the good lines; only: their numbers, or nil for all. Returns [Row].
      def keep(text, by:, only: nil)
        lines(text).map do |line|
          shown = row(line)
          next shown if shown.fate == "refused" || (only && !only.include?(line.number))

          @app.keepings.keep_code(line.name.ascii, line.code, at: @app.now)
          note(line.name.ascii, "code-kept", "#{by} put an authorization code into the code safe.", by)
          shown.tap { |r| r.fate = "kept" }
        end
      end

      # Keeps one code that a person copied, as it is (rules of the job §7). Returns warnings as sentences; raises Invalid.
      def put(name, code, by:)
        raise Invalid, "#{name} is not on the list of names" unless @app.names.find(name)
        raise Invalid, "the code is empty" if code.empty?

        @app.keepings.keep_code(name, code, at: @app.now)
        note(name, "code-kept", "#{by} put an authorization code into the code safe.", by)
        move = @app.moves.open_for(name)
        @app.moves.due_now(move.id, at: @app.now) if move
        Core::Codes::Code.warnings(code, typed: true)
      end

      # Every code that is held, by name. Returns [Held].
      def all
        @app.keepings.live_codes.map do |r|
          family = @app.rulebook.family_of(Core::Names::DomainName.held(r[:name]))
          lives = family&.code_days
          received = Store::Values.time(r[:received_at])
          Held.new(name: r[:name], state: r[:state], received_at: received, expires_at: lives && (received + (lives * 86_400)), move_id: r[:move_id])
        end
      end

      # The code in the clear, on somebody's word; copied: it went to the clipboard. Raises Invalid.
      def reveal(name, by:, copied: false)
        code = @app.keepings.newest_code(name) or raise Invalid, "no authorization code is held for #{name}"
        note(name, "code-seen", "#{by} #{copied ? 'copied' : 'looked at'} the authorization code.", by)
        code
      end

      # Asks the registry by EPP info with the code (RFC 5731 §3.1.2). Returns “checked” or “rejected”; raises Invalid.
      def check(name, by:)
        code = @app.keepings.newest_code(name) or raise Invalid, "no authorization code is held for #{name}"
        account = asker(name) or raise Invalid, "no account here has a connection to ask the registry through"
        state = asked(account, name, code)
        @app.keepings.mark(name, state)
        note(name, "code-checked", "The registry, asked through #{account.title}, #{state == 'checked' ? 'takes' : 'rejects'} the authorization code.", by)
        state
      end

      def wipe(name, by:)
        raise Invalid, "no authorization code is held for #{name}" if @app.keepings.wipe_name(name).zero?

        note(name, "code-wiped", "#{by} wiped the authorization code.", by)
      end

      private

      def lines(text) = Core::Codes::List.read(text, suffixes: @app.rulebook.deep_suffixes)

      def row(line)
        return Row.new(number: line.number, fate: "refused", says: line.error) if line.error

        name = line.name.ascii
        return Row.new(number: line.number, name: name, fate: "refused", says: "#{line.name.unicode} is not on the list of names.") unless @app.names.find(name)

        again = @app.keepings.held.key?(name)
        Row.new(number: line.number, name: name, fate: again ? "replaces" : "new", says: [*line.warnings, ("It takes the place of the one that is held." if again)].compact.join(" "))
      end

      # The usual destination's connection, else any other than the one that holds the name.
      def asker(name)
        holder = @app.names.find(name)&.fetch(:account_id)
        open = @app.accounts.all.select { |a| a.kind == "epp" && a.id != holder }
        open.find { |a| a.id == Destinations.usual(@app) } || open.first
      end

      def asked(account, name, code)
        @app.epp.with(account) { |c| c.request(Wire::Epp::Commands.info(name: name, id: "code-#{@app.random.rand(10**9)}", auth_info: code)) }
        "checked"
      rescue Wire::Refused => e
        raise Invalid, "#{account.title} refused the question: #{e.says}" unless [2202, 2201].include?(e.code)

        "rejected"
      rescue Wire::Error => e
        raise Invalid, "#{account.title}: #{e.says}"
      end

      def note(name, type, says, by) = @app.journal.add(type, at: @app.now, says: says, by: by, name: name)
    end
  end
end
