# frozen_string_literal: true

require "mail"

module Practice
  module Post
    # The one mailbox of the scenario. Mail arrives at its instant; numbers rise in the order of arrival.
    class Office
      def initialize(db, agenda)
        @mail = db[:mail]
        @agenda = agenda
      end

      def deliver(at, **letter) = @agenda.add(at, "mail", letter)

      def arrive(letter, at:)
        message = ::Mail.new(from: letter["from"], to: letter["to"], subject: letter["subject"], body: letter["text"], charset: "UTF-8")
        message.date = at
        message.message_id = "<#{at.to_i}.#{@mail.count + 1}@#{letter['from'].partition('@').last}>"
        @mail.insert(at: at.to_i, raw: message.to_s)
      end

      # [[uid, raw RFC 5322 text]] with uid above `after`.
      def since(after) = @mail.where { uid > after }.order(:uid).select_map(%i[uid raw])
      def fetch(uid) = @mail.where(uid: uid).get(:raw)
      def count = @mail.count
    end
  end
end
