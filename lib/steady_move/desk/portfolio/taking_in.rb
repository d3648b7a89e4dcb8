# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Takes names in from what somebody typed or from a table; each line's fate is told, and
      # nothing good is lost beside the bad.
      class TakingIn
        # fate: taken, corrected, known or refused; says: why, or from what to what.
        Line = Struct.new(:typed, :fate, :name, :says, keyword_init: true)
        # One thing to take in: what was typed, the account's id or title where the table names it,
        # notes by key.
        Wish = Struct.new(:typed, :account, :notes, keyword_init: true)
        # What a table's column may hold, and words of headers that seem to say so.
        COLUMNS = {
          "name" => %w[domain name],
          "account" => %w[account registrar],
          "expires_at" => %w[expir],
          "paid" => %w[paid],
          "privacy" => %w[privacy],
          "registrant_email" => %w[mail],
          "premium" => %w[premium],
          "lock" => %w[lock],
          "auto_renew" => %w[auto renew],
          "name_servers" => %w[server dns],
          "stay_price" => %w[price cost],
          "note" => %w[note remark comment]
        }.freeze
        LISTS = %w[name_servers].freeze
        FLAGS = {
          "yes" => true,
          "true" => true,
          "1" => true,
          "on" => true,
          "no" => false,
          "false" => false,
          "0" => false,
          "off" => false
        }.freeze

        def initialize(ports)
          @ports = Ports.of(ports)
          @suffixes = @ports.rulebook.deep_suffixes
        end

        # Names parted by blanks, commas, semicolons or lines; “#” begins a comment. Returns [Wish].
        def self.words(text)
          words = text.each_line.flat_map { |l| l.sub(/(?:\A|\s)#.*/, "").split(/[\s,;]+/) }
          words.reject(&:empty?).map { |w| Wish.new(typed: w, notes: {}) }
        end

        # A table's first lines and which column seems to hold what: {header:, rows:, guess: {key =>
        # index}}. Raises Refused.
        def self.look(text)
          rows = Wire::Csv.read(text).map(&:last)
          header = rows.first || []
          guess =
            COLUMNS
              .transform_values do |words|
                header.index { |h| words.any? { |w| h.downcase.include?(w) } }
              end
              .compact
          { header: header, rows: rows.drop(1).first(3), guess: guess }
        rescue Wire::Malformed => e
          raise Refused.new(:invalid, :table_unreadable, says: e.message)
        end

        # columns: {key of COLUMNS => index}; the first line is the header. Returns [Wish]. Raises
        # Refused.
        def self.table(text, columns)
          Wire::Csv
            .read(text)
            .drop(1)
            .map do |_, cells|
              notes =
                columns
                  .except("name", "account")
                  .transform_values { |i| cells[i].to_s }
                  .reject { |_, v| v.empty? }
              account = columns["account"] && cells[columns["account"]]
              Wish.new(typed: cells[columns.fetch("name")].to_s, account: account, notes: notes)
            end
        rescue Wire::Malformed => e
          raise Refused.new(:invalid, :table_unreadable, says: e.message)
        end

        # wishes: [Wish]; account: where a wish names none; by: who. Yields after each. Returns
        # [Line].
        def call(wishes, account, by:)
          @accounts = @ports.accounts.all
          wishes.map { |wish| take(wish, account, by).tap { yield if block_given? } }
        end

        # Lets a name go that was taken in by mistake; raises Refused where it has been moved from
        # here.
        def let_go(name, by:)
          raise Refused.new(:unknown, :not_held, name: name) unless @ports.names.find(name)
          raise Refused.new(:not_now, :has_moves, name: name) if @ports.moves.of_name(name).any?

          @ports.names.drop(name)
          @ports.codes.wipe(name)
          @ports.unrequested_transfers.forget(name)
          @ports.journal.add(
            "let-go",
            at: @ports.now,
            says: Words.phrase("journal.let_go"),
            by: by,
            name: name
          )
        end

        private

        def take(wish, account, by)
          name = Core::Names::DomainName.parse(wish.typed, suffixes: @suffixes)
          return again(wish, name, by) if @ports.names.find(name.ascii)
          unless suffix?(name)
            return line(wish, "refused", name, say(:no_such_suffix, suffix: name.suffix))
          end

          account = named(wish.account) unless wish.account.to_s.strip.empty?
          return line(wish, "refused", name, say(:no_account, given: wish.account)) unless account

          seen = Observe.new(@ports).name(name, account)
          if seen.sources.empty? && seen.absent && !(account.kind == "by_hand" && seen.unserved)
            return line(wish, "refused", name, seen.problems.join(" "))
          end

          keep(name, account, by)
          taken(wish, name, note(name, wish.notes, by), seen)
        rescue Core::Names::DomainName::Invalid => e
          line(wish, "refused", nil, Words.text(e.phrase))
        end

        # A name that is known: what the table says of it is noted anew.
        def again(wish, name, by)
          return line(wish, "known", name, say(:known)) if wish.notes.empty?

          problems = note(name, wish.notes, by)
          line(wish, "known", name, [say(:updated), *problems].join(" "))
        end

        # Is there such a suffix: in the Public Suffix List, in the rulebook, or served by a public
        # record?
        def suffix?(name)
          top = name.suffix.rpartition(".").last
          unicode = Core::Names::Idn.shown(top)
          @ports.rulebook.family_of(name) || @ports.rdap.serves?(name) ||
            PublicSuffix::List.default.find(unicode, default: nil)
        end

        def taken(wish, name, problems, seen)
          nothing = seen.sources.empty?
          later = say(:later, problems: seen.problems.join(" ")) if nothing && !seen.absent &&
            seen.problems.any?
          corrected = say(:understood, typed: wish.typed, name: name.unicode) if wish.typed !=
            name.ascii
          says = [corrected, *problems, later || (say(:nothing_known) if nothing)].compact.join(" ")
          line(wish, corrected ? "corrected" : "taken", name, says)
        end

        def say(key, **values) = Words.say(:"taking_in.#{key}", **values)

        def named(account)
          wanted = account.to_s.strip
          @accounts.find do |a|
            a.id == wanted || a.title.casecmp?(wanted) || a.registrar.casecmp?(wanted)
          end
        end

        def keep(name, account, by)
          @ports.names.put(name, account.id, at: @ports.now)
          says = Words.phrase("journal.taken_in", title: account.title)
          @ports.journal.add("taken-in", at: @ports.now, says: says, by: by, name: name.ascii)
        end

        # What the table says of it, as notes by hand. Returns a sentence for each that can't be
        # understood.
        def note(name, notes, by)
          notes.filter_map do |key, value|
            Notes.new(@ports).put(name.ascii, key, given(key, value), by: by) && nil
          rescue Refused => e
            e.message
          end
        end

        # A cell as its note wants it.
        def given(key, value)
          return value.downcase.split(/[\s,;]+/).reject(&:empty?) if LISTS.include?(key)

          Notes::KINDS[key] == :flag ? FLAGS.fetch(value.downcase, value) : value
        end

        def line(wish, fate, name, says)
          Line.new(
            typed: wish.typed,
            fate: fate,
            name: name&.ascii,
            says: says.to_s.empty? ? nil : says
          )
        end
      end
    end
  end
end
