# frozen_string_literal: true

require "securerandom"
require "rack/utils"

module SteadyMove
  module Web
    # The first administrator is made with a one-time word that only who started the desk has seen.
    class FirstRun
      attr_reader :token

      def initialize(people, random: SecureRandom)
        @people = people
        @token = Array.new(3) { random.alphanumeric(5).downcase }.join("-")
        @lock = Mutex.new
      end

      def open? = @people.empty?

      # Raises Desk::Refused where the word doesn't fit, or the desk has people already.
      def administrator(token, email, password)
        @lock.synchronize do
          raise Desk::Refused.new(:not_now, :first_run_over) unless open?
          unless Rack::Utils.secure_compare(@token, token.to_s.strip)
            raise Desk::Refused.new(:not_now, :first_run_word)
          end

          @people.put(email, password, role: "administrator")
        end
      end
    end
  end
end
