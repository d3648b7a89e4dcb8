# frozen_string_literal: true

module SteadyMove
  module Desk
    # What a person knows of a name and no connection tells: noted by hand, with who and when, taken back at any time.
    class Notes
      # The note can't be kept; says why.
      class Invalid < StandardError; end

      # key => how its value is understood; the words are for people, on screen and in the journal.
      KINDS = {
        "paid" => [:flag, "the last period is paid"],
        "privacy" => [:flag, "a privacy service stands in"],
        "registrant_email" => [:text, "the registrant’s e-mail"],
        "admin_email" => [:text, "the administrative contact’s e-mail"],
        "mailbox" => [%w[proven unproven bounced unread], "the registrant’s mailbox is"],
        "registrant_changed_at" => [:date, "the registrant was last changed on"],
        "change_opted_out" => [:flag, "the holder opted out of the block"],
        "expires_at" => [:date, "it expires on"],
        "dispute" => [:text, "a dispute over it"],
        "tied_services" => [:list, "services of the account that hang on it"],
        "premium" => [:flag, "the registry asks its own price"],
        "presence_proven" => [:flag, "the papers are there"],
        "code_by_mail" => [:flag, "the code comes by mail"]
      }.freeze
      MOST = 300

      def initialize(app)
        @app = app
      end

      # name: A-label text held here; value: nil takes the note back. Raises Invalid.
      def put(name, key, value, by:)
        raise Invalid, "“#{name}” is not on the list of names" unless @app.names.find(name)

        kind, words = KINDS.fetch(key) { raise Invalid, "“#{key}” is not one of #{KINDS.keys.join(', ')}" }
        value.nil? ? @app.names.forget(name, :hand, key) : keep(name, key, understood(key, kind, value), by)
        @app.journal.add("noted", at: @app.now, name: name, by: by,
                                  says: value.nil? ? "Took back the note: #{words}." : "Noted by hand: #{words}: #{spoken(value)}.")
      end

      private

      def keep(name, key, value, by)
        @app.names.learn(name, [Core::Readiness::Fact.new(key: key.to_sym, value: value, source: :hand, seen_at: @app.now, ref: "noted by #{by}")])
      end

      def understood(key, kind, value)
        case kind
        when :flag then [true, false].include?(value) ? value : expected(key, value, "true or false")
        when :text then value.is_a?(String) && value.strip.length.between?(1, MOST) ? value.strip : expected(key, value, "a text of at most #{MOST} characters")
        when :list then value.is_a?(Array) && value.size.between?(1, 20) && value.all?(String) ? value.map(&:strip) : expected(key, value, "a list of texts")
        when :date then instant(key, value)
        else kind.include?(value) ? value : expected(key, value, "one of #{kind.join(', ')}")
        end
      end

      # A date alone: the end of that day for what must have passed, its start for what must not yet have come.
      def instant(key, value)
        return Time.iso8601(value).utc unless value.to_s.match?(/\A\d{4}-\d\d-\d\d\z/)

        day = Time.iso8601("#{value}T00:00:00Z")
        key == "expires_at" ? day : day + 86_400
      rescue ArgumentError
        expected(key, value, "a date such as 2027-03-01 or an instant such as 2027-03-01T08:00:00Z")
      end

      def expected(key, value, what) = raise(Invalid, "#{key}: #{what} is expected, not “#{value}”")
      def spoken(value) = value.is_a?(Array) ? value.join(", ") : { true => "yes", false => "no" }.fetch(value, value)
    end
  end
end
