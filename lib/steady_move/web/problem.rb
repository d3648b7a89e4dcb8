# frozen_string_literal: true

module SteadyMove
  module Web
    # An error for the caller: an RFC 9457 problem document with one sentence for people.
    class Problem < StandardError
      KINDS = { invalid: 422, not_now: 409, unknown: 404, busy: 429, unusable: 503 }.freeze

      # key: of the catalogue's “web” or “refused”, for the log; nil where it is none; needs: what
      # would let it through, for the page (RFC 9457 §3.2), or nil.
      attr_reader :status, :key, :needs

      # key: of the catalogue's “web”.
      def self.say(status, key, **values) = new(status, Words.say(:"web.#{key}", **values), key)
      # For what the desk won't do.
      def self.of(refused) = new(KINDS.fetch(refused.kind), refused.message, refused.key)

      # For what nobody caught: what hinders the database, in a sentence, or that something broke.
      def self.unforeseen(error)
        says = Store::Trouble.say(error)
        says ? new(503, says, :trouble) : say(500, :broken)
      end

      def initialize(status, detail, key = nil, needs: nil)
        @status = status
        @key = key
        @needs = needs
        super(detail)
      end

      def to_json(*)
        title = Words.maybe(:"web.titles.#{status}") || Words.say(:"web.titles.other")
        said = { type: "about:blank", title: title, status: status, detail: message, needs: needs }
        JSON.generate(said.compact)
      end
    end
  end
end
