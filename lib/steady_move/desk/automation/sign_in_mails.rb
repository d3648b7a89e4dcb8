# frozen_string_literal: true

module SteadyMove
  module Desk
    module Automation
      # Whoever's ways in were changed (password, second factor, recovery codes, tokens) is told by
      # email, at the address under which they sign in, whatever their notices say (OWASP ASVS 4.0,
      # 2.2.3 and 2.5.5). It is read off the journal, so that a mail server that is away, or a
      # change from the command line, leaves nobody untold.
      class SignInMails
        EVERY = 60
        MOST = 200
        # The journal's line to which all is told.
        MARK = "sign-in-mails"
        # Lines of the journal that tell of it; where they name somebody's address that one is told,
        # else whoever did it.
        KEYS = %w[
          factor_removed
          factor_set
          factor_taken
          passkey_set
          password_changed
          password_reset
          password_word
          recovery_code_used
          recovery_codes
          role_changed
          token_made
        ].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Is there a line to be told, also where the clock was set back?
        def due?
          return false if @ports.sender.nil?
          return false unless @due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - EVERY

          mark.nil? || @ports.journal.last_seq.to_i > mark
        end

        # Tells what is new. Returns how many mails went out.
        def tell
          @due_at = @ports.now + EVERY
          return begin_here if mark.nil?

          last = @ports.journal.last_seq.to_i
          lines = @ports.journal.of_type_after("people", mark, MOST)
          count = lines.count { |line| tell_of(line).tap { self.mark = line.seq } }
          self.mark = last if lines.size < MOST
          count
        rescue Wire::Error
          0 # what is left is told at the next look
        end

        private

        # What was before the desk first told anybody is told nobody.
        def begin_here
          self.mark = @ports.journal.last_seq.to_i
          0
        end

        def mark = @ports.system_state[MARK]

        def mark=(seq)
          @ports.system_state[MARK] = seq
        end

        # Returns whether a mail went out.
        def tell_of(line)
          key = line.phrase&.key.to_s.delete_prefix("journal.")
          return false unless KEYS.include?(key)

          values = line.phrase.values
          to = values[:email] || values[:by]
          return false unless to.to_s.include?("@")

          send_out(to, line)
          true
        rescue Wire::Refused => e
          says = Words.phrase("journal.sign_in_untold", to: to, says: e.says)
          @ports.journal.add("people", at: @ports.now, by: "desk", says: says)
          false
        end

        def send_out(to, line)
          Common::OwnMail.send_out(
            @ports,
            to: [to],
            subject: Words.say(:"sign_in_mails.subject"),
            text:
              Words.say(
                :"sign_in_mails.text",
                says: Words.text(line.phrase),
                at: Words.moment(line.at),
                address: @ports.address || Words.say(:"sign_in_mails.here")
              )
          )
        end
      end
    end
  end
end
