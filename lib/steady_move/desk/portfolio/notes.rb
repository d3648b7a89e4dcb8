# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # What a person knows of a name and no connection tells: noted by hand, with who and when,
      # taken back at any time.
      class Notes
        # key => how its value is understood; its words are the catalogue's “notes.kinds”.
        KINDS = {
          "paid" => :flag,
          "privacy" => :flag,
          "registrant_email" => :text,
          "admin_email" => :text,
          "technical_email" => :text,
          "mailbox" => %w[proven unproven bounced unread],
          "registrant_changed_at" => :date,
          "change_opted_out" => :flag,
          "expires_at" => :date,
          "dispute" => :text,
          "tied_services" => :list,
          "premium" => :flag,
          "presence_proven" => :flag,
          "code_by_mail" => :flag,
          "lock" => :flag,
          "auto_renew" => :flag,
          "name_servers" => :list,
          "stay_price" => :price,
          "client" => :text,
          "note" => :text
        }.freeze
        # Those that are said of the account that holds the name, and end with it.
        OF_ACCOUNT = %w[paid privacy expires_at code_by_mail lock auto_renew stay_price].freeze
        MOST = 300
        PRICE =
          /\A(?:(?<before>[A-Z]{3})\s*)?(?<sum>\d{1,9}(?:[.,]\d{1,4})?)(?:\s*(?<after>[A-Z]{3}))?\z/

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # name: A-label text held here; value: nil takes the note back. Raises Refused.
        def put(name, key, value, by:)
          raise Refused.new(:unknown, :not_held, name: name) unless @ports.names.find(name)

          kind =
            KINDS.fetch(key) do
              raise Refused.new(:invalid, :no_such_note, given: key, known: KINDS.keys)
            end
          if value.nil?
            @ports.names.forget(name, :hand, key)
          else
            keep(name, key, understood(key, kind, value), by)
          end
          values = { what: Words.phrase("notes.kinds.#{key}"), value: spoken(value) }
          says = Words.phrase(value.nil? ? "journal.note_taken_back" : "journal.noted", **values)
          @ports.journal.add("noted", at: @ports.now, name: name, by: by, says: says)
        end

        # Several at once, in one line of the journal; a nil takes a note back. values: {key =>
        # value}. Returns a sentence for each that can't be understood.
        def put_all(name, values, by:)
          problems = []
          understood = {}
          values.each do |key, value|
            understood[key] = value && understood(key, KINDS.fetch(key), value)
          rescue Refused => e
            problems << e.message
          end
          write(name, understood, values, by) if understood.any?
          problems
        end

        # Notes are as they were. values: {key => as it is kept, or nil where there was none}.
        def put_back(name, values, by:)
          learn(name, values, by)
          says =
            Words.phrase(
              "journal.notes_put_back",
              what: values.keys.map { |key| Words.phrase("notes.kinds.#{key}") }
            )
          @ports.journal.add("noted", at: @ports.now, name: name, by: by, says: says)
        end

        # The name has left the account that some of its notes were about: these end, and the
        # journal says which.
        def end_with_account(name)
          facts = @ports.names.facts(name)
          ended =
            OF_ACCOUNT.select { |key| facts.about(key.to_sym).any? { |fact| fact.source == :hand } }
          return if ended.empty?

          ended.each { |key| @ports.names.forget(name, :hand, key) }
          what = ended.map { |key| Words.say(:"notes.kinds.#{key}") }.join("; ")
          says = Words.phrase("journal.notes_ended", name: name, what: what)
          @ports.journal.add("noted", at: @ports.now, name: name, by: "desk", says: says)
        end

        private

        # understood: {key => value}; given: as it was written.
        def write(name, understood, given, by)
          learn(name, understood, by)
          what = understood.keys.map { |key| one(key, given[key]) }
          says = Words.phrase("journal.noted_all", what: what)
          @ports.journal.add("noted", at: @ports.now, name: name, by: by, says: says)
        end

        # values: {key => value; nil takes the note back}.
        def learn(name, values, by)
          facts = values.compact.map { |key, value| fact(key, value, by) }
          @ports.names.learn(name, facts) if facts.any?
          values.each { |key, value| @ports.names.forget(name, :hand, key) if value.nil? }
        end

        def one(key, given)
          value = given.nil? ? Words.phrase("notes.taken_back") : spoken(given)
          Words.phrase("notes.one", what: Words.phrase("notes.kinds.#{key}"), value: value)
        end

        def keep(name, key, value, by) = @ports.names.learn(name, [fact(key, value, by)])

        def fact(key, value, by)
          Core::Readiness::Fact.new(
            key: key.to_sym,
            value: value,
            source: :hand,
            seen_at: @ports.now,
            ref: Words.say(:"notes.by", by: by)
          )
        end

        def understood(key, kind, value)
          case kind
          when :flag
            [true, false].include?(value) ? value : expected(key, value, :flag)
          when :text
            text?(value) ? value.strip : expected(key, value, :text)
          when :list
            list?(value) ? value.map(&:strip) : expected(key, value, :list)
          when :date
            instant(key, value)
          when :price
            price(value) || expected(key, value, :price)
          else
            kind.include?(value) ? value : expected(key, value, :one_of, of: kind)
          end
        end

        # “9.90 EUR”, “EUR 9,90”: {minor, currency}; nil where it is not understood.
        def price(value)
          parts = value.to_s.strip.match(PRICE)
          currency = parts && (parts[:before] || parts[:after]) or return
          digits = Core::Money::Currency.digits(currency)
          whole, rest = parts[:sum].tr(",", ".").split(".")
          return if rest.to_s.length > digits

          { "minor" => (whole + rest.to_s.ljust(digits, "0")).to_i, "currency" => currency }
        end

        def text?(value) = value.is_a?(String) && value.strip.length.between?(1, MOST)
        def list?(value) = value.is_a?(Array) && value.size.between?(1, 20) && value.all?(String)

        # A date alone: the end of that day for what must have passed, its start for what must not
        # yet have come.
        def instant(key, value)
          return Core::Instant.parse(value) unless value.to_s.match?(/\A\d{4}-\d\d-\d\d\z/)

          day = Core::Instant.parse("#{value}T00:00:00Z")
          key == "expires_at" ? day : day + 86_400
        rescue ArgumentError
          expected(key, value, :date)
        end

        def expected(key, value, what, **more)
          wanted = Words.phrase("notes.expected.#{what}", most: MOST, **more)
          raise Refused.new(:invalid, :note_expects, key: key, wanted: wanted, given: value.to_s)
        end

        def spoken(value)
          return value.join(", ") if value.is_a?(Array)
          if value.is_a?(Hash)
            return Core::Money::Currency.decimal(*value.values_at("minor", "currency"))
          end

          {
            true => Words.phrase("common.yes_word"),
            false => Words.phrase("common.no_word")
          }.fetch(value, value)
        end
      end
    end
  end
end
