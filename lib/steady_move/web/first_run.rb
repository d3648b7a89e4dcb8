# frozen_string_literal: true

require "securerandom"
require "rack/utils"

module SteadyMove
  module Web
    # The first administrator is made with a one-time word that only who started the desk has seen.
    class FirstRun
      # The word doesn't fit, or the desk has people already.
      class Closed < StandardError; end

      attr_reader :token

      def initialize(people, random: SecureRandom)
        @people = people
        @token = Array.new(3) { random.alphanumeric(5).downcase }.join("-")
        @lock = Mutex.new
      end

      def open? = @people.empty?

      # Raises Closed, or People::Invalid.
      def administrator(token, email, password)
        @lock.synchronize do
          raise Closed, "The first administrator is there already; sign in." unless open?
          raise Closed, "The one-time word does not fit; it was printed by the command that started the desk." unless Rack::Utils.secure_compare(@token, token.to_s.strip)

          @people.put(email, password, role: "administrator")
        end
      end
    end
  end
end
