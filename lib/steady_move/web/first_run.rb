# frozen_string_literal: true

require "securerandom"
require "rack/utils"

module SteadyMove
  module Web
    # The first administrator is made with a one-time word that only who started the desk has seen,
    # within an hour of that.
    class FirstRun
      # Seconds until the word ends; characters of it, in groups.
      LIFE = 3600
      GROUPS = 4
      GROUP = 6

      attr_reader :token

      # clock: answers now as a number of seconds.
      def initialize(
        people,
        random: SecureRandom,
        clock: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
      )
        @people = people
        @clock = clock
        @made = clock.call
        @token = Array.new(GROUPS) { random.alphanumeric(GROUP).downcase }.join("-")
        @lock = Mutex.new
      end

      def open? = @people.empty?

      # Raises Desk::Refused where the word doesn't fit, or the desk has people already.
      def administrator(token, email, password)
        @lock.synchronize do
          raise Desk::Refused.new(:not_now, :first_run_over) unless open?
          raise Desk::Refused.new(:not_now, :first_run_word_ended) if @clock.call - @made > LIFE

          unless Rack::Utils.secure_compare(@token, token.to_s.strip)
            raise Desk::Refused.new(:not_now, :first_run_word)
          end

          @people.put(email, password, role: "administrator")
          @people.note("first_administrator", email.downcase)
        end
      end
    end
  end
end
