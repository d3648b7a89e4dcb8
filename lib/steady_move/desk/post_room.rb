# frozen_string_literal: true

module SteadyMove
  module Desk
    # Fetches new mail, understands it and matches it to moves. What is doubtful is kept and shown, never acted on.
    class PostRoom
      EVERY = 300

      attr_reader :due_at, :heard

      def initialize(app)
        @app = app
        @due_at = nil
      end

      def fetch_if_due
        return if @app.mailbox.nil? || (@due_at && @app.now < @due_at)

        fetch
      end

      # Returns how many messages were new. The outside's faults only put the next look off.
      def fetch
        @due_at = @app.now + EVERY
        list = @app.mailbox.messages(after: @app.messages.last_uid)
        list.each { |m| take(m) }
        @heard = Heard.new(at: @app.now, well: true, says: "it answered")
        list.size
      rescue Wire::Error => e
        @heard = Heard.new(at: @app.now, well: false, says: e.says)
        0
      end

      private

      def take(message)
        reading = Core::Post::Reader.read(from: message.from, subject: message.subject, text: message.text,
                                          held: @app.names.all.map { |r| Core::Names::DomainName.known(r[:name], r[:unicode]) },
                                          sender_domains: @app.accounts.all.flat_map(&:sender_domains), sent: message.at, failed: message.failed || [])
        move = reading.names.filter_map { |n| @app.moves.of_name(n.ascii).first }.first
        @app.db.transaction(mode: :immediate) do
          next if @app.db[:messages].where(uid: message.uid).any?

          @app.messages.put(message, reading, move&.id)
          keep_code(message, reading)
          journal(message, reading, move) if move && reading.kind != "unrelated"
        end
      end

      # The code of one held name from a message that nothing speaks against goes into the code safe.
      def keep_code(message, reading)
        return if reading.code.nil? || reading.doubtful || reading.names.size != 1

        name = reading.names.first.ascii
        @app.keepings.keep_code(name, reading.code, at: message.at || @app.now)
        @app.journal.add("code-kept", at: @app.now, by: "desk", name: name, says: "An authorization code came by mail from #{message.from}; it is in the code safe.",
                                      evidence: { "source" => "mailbox", "seen_at" => @app.now, "ref" => message.message_id })
      end

      def journal(message, reading, move)
        doubt = reading.doubtful ? " It is doubtful and was not relied on." : ""
        @app.journal.add("mail", at: @app.now, by: "desk", move_id: move.id, name: move.name,
                                 says: "Mail from #{message.from}: “#{message.subject}”.#{doubt}",
                                 evidence: { "source" => "mailbox", "seen_at" => @app.now, "ref" => message.message_id },
                                 data: { "kind" => reading.kind, "deadline" => reading.deadline, "doubtful" => reading.doubtful }.compact)
      end
    end
  end
end
