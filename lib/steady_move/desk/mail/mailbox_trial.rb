# frozen_string_literal: true

require "mail"

module SteadyMove
  module Desk
    module Mail
      # Does a mailbox's own server strip fields that somebody else wrote in its name (RFC 8601 §5)?
      # The desk sends itself a message with such a field, and looks at what arrives.
      class MailboxTrial
        # What came of it: the field is gone; it stands where it is not believed; it would have been
        # believed.
        FOUND = [STRIPS = "strips", IGNORED = "ignored", BELIEVED = "believed"].freeze
        MESSAGE_ID = /\Atrial-([a-z0-9]{16})@steady-move\.invalid\z/

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Sends the message. Raises Refused.
        def start(id)
          box = @ports.inboxes.find(id)
          to = box.endpoint[:login].to_s
          check(box, to)
          word = Array.new(16) { SIGNS.sample(random: @ports.random) }.join
          @ports.sender.deliver(message(word, to, box.ids.first), to: [to])
          @ports.inboxes.try(id, word, at: @ports.now)
        rescue Wire::Error => e
          raise Refused.new(:not_now, :trial_not_sent, says: e.says)
        end

        # Is it such a message? Then what came of it is kept, and nothing else follows.
        def came?(message)
          word = message.message_id.to_s[MESSAGE_ID, 1] or return false
          boxes = @ports.inboxes.tried_with(word)
          boxes.each { |id| @ports.inboxes.found(id, found(message, word, id)) }
          boxes.any?
        end

        private

        SIGNS = [*"a".."z", *"0".."9"].freeze
        private_constant :SIGNS

        def check(box, to)
          raise Refused.new(:not_now, :trial_without_sender) unless @ports.sender
          raise Refused.new(:not_now, :trial_without_server) if box.ids.empty?
          raise Refused.new(:not_now, :trial_without_address, login: to) unless to.include?("@")
        end

        def message(word, to, server)
          from = @ports.sender.from
          at = @ports.now
          mail =
            ::Mail.new(charset: "UTF-8") do
              from from
              to to
              date at
              message_id "<trial-#{word}@steady-move.invalid>"
              subject Words.say(:"post.trial.subject")
              body Words.say(:"post.trial.text")
              header["Auto-Submitted"] = "auto-generated"
            end
          "Authentication-Results: #{server}; dkim=pass header.d=#{word}.invalid\r\n#{mail}"
        end

        def found(message, word, id)
          forged = ->(bodies) { bodies.any? { |body| body.include?("#{word}.invalid") } }
          return STRIPS unless forged.call(message.results.to_a)

          ids = @ports.inboxes.find(id).ids
          above = Core::Post::Authentication.above(message.trace.to_a, ids)
          forged.call(above[:fields]) ? BELIEVED : IGNORED
        end
      end
    end
  end
end
