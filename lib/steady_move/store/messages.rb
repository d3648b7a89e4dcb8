# frozen_string_literal: true

require "digest"
require "json"
require "zlib"

module SteadyMove
  module Store
    # Incoming mail as it was understood, and as a person corrected it.
    class Messages
      LISTS = %i[names because].freeze
      MOST = 200
      # Links of our own that let somebody in: they are nobody's who reads the post.
      OWN_LINK = %r{(/(?:invited|new-password)#)[[:alnum:]]+}
      # What a server of the mailbox's own is looked for in: the newest messages.
      LOOKED_AT = 50

      def initialize(db, safe)
        @db = db
        @rows = db[:messages]
        @safe = safe
      end

      # Numbers of the second mailbox begin behind those of the first, and so on (UIDs have 32 bits,
      # RFC 9051 §2.3.1.1).
      BOX = 10**10

      # Numbers of the desk's own, for messages whose UID another one has (UIDs end below 2^32).
      RENUMBERED = 5 * (10**9)

      # UIDs above one that are kept of a mailbox, as that mailbox counts.
      def numbers(box, above: 0)
        @rows
          .where(uid: ((box * BOX) + above + 1)...((box * BOX) + RENUMBERED))
          .select_map(:uid)
          .map { |u| u - (box * BOX) }
      end

      # Does another message have this number?
      def taken?(uid, message)
        row = @rows.where(uid: uid).select(:message_id, :digest).first
        !row.nil? && !same?(row, message)
      end

      def next_renumbered(box)
        first = (box * BOX) + RENUMBERED
        [@rows.where(uid: first...((box + 1) * BOX)).max(:uid) || 0, first].max + 1
      end

      # The number for a message that was dropped in and has none in a mailbox: below zero.
      def next_dropped = [@rows.min(:uid) || 0, 0].min - 1

      # Is this message kept? One with a known Message-ID and other octets is another message.
      def known?(message)
        return true if @rows.where(uid: message.uid).any?
        return false if message.message_id.nil?

        @rows
          .where(message_id: message.message_id)
          .select(:message_id, :digest)
          .any? { |row| same?(row, message) }
      end

      # Its octets, however its lines end; nil where they are not at hand.
      def self.digest(message)
        message.raw && Digest::SHA256.hexdigest(message.raw.b.gsub("\r\n".b, "\n".b).strip)
      end

      # What is to be kept of a Wire::Mail::Message with its Core::Post::Reading, worked out whole
      # before anything is written. What may be a code is masked in subject and text; the codes
      # themselves are sealed until they are in the code safe, and so is the message as it came.
      # facts: what follows from it once it counts; server: the identifier in its topmost
      # Authentication-Results, or nil. Returns [row, its original's row or nil].
      def ready(
        message,
        reading,
        move_id,
        letter_id: nil,
        read_kind: reading.kind,
        facts: {},
        server: nil
      )
        row = {
          **head(message, reading),
          kind: reading.kind,
          link: reading.link,
          names: Values.dump(reading.names.map(&:ascii)),
          digest: self.class.digest(message),
          because: Values.dump(reading.because),
          deadline: reading.deadline&.to_i,
          doubtful: reading.doubtful,
          trust: reading.sender,
          move_id: move_id,
          letter_id: letter_id,
          read_kind: read_kind,
          server: server,
          links: Values.dump(reading.links.to_a.map { |l| [l.url, l.words, l.role, l.host] }),
          facts: Values.dump(facts),
          sealed_code: sealed(reading)
        }
        [
          row,
          message.raw &&
            { uid: message.uid, sealed: @safe.seal(Zlib::Deflate.deflate(message.raw.b)) }
        ]
      end

      # Keeps what `ready` returned; the same message twice changes nothing.
      def keep(ready)
        row, original = ready
        @db.transaction do
          @rows.insert_conflict.insert(row)
          if original && @rows.where(uid: row[:uid]).any?
            @db[:originals].insert_conflict.insert(original)
          end
        end
      end

      # Keeps the head alone: nothing in it concerns anybody here, and the body lies in the mailbox
      # still.
      def keep_head(ready)
        row, = ready
        @rows.insert_conflict.insert(
          row.merge(text: "", links: "[]", link: nil, sealed_code: nil, bodiless: true)
        )
      end

      # Puts text, links and sealed codes of what `ready` returned beside a head that is kept, and
      # its original.
      def restore(ready)
        row, original = ready
        @db.transaction do
          @rows.where(uid: row[:uid]).update(
            row.slice(:text, :links, :sealed_code).merge(bodiless: false)
          )
          @db[:originals].insert_conflict.insert(original) if original
        end
      end

      def put(message, reading, move_id, **more) = keep(ready(message, reading, move_id, **more))

      # A message as it came, its octets; nil where they weren't kept.
      def original(uid)
        sealed = @db[:originals].where(uid: uid).get(:sealed) or return
        Zlib::Inflate.inflate(@safe.open(sealed).b)
      end

      # Newest first; instants as Times, lists as Arrays.
      def all = newest.map { |r| one(r) }

      # The newest from these domains and what lies under them, but for what is doubtful.
      def from(domains, most:)
        return [] if domains.empty?

        sender = Sequel.function(:lower, :sender)
        ends = domains.flat_map { |d| ["%@#{d}", "%.#{d}"] }.map { |e| sender.like(e.downcase) }
        newest.where(Sequel.|(*ends)).exclude(trust: "doubtful").limit(most).map { |r| one(r) }
      end

      # The newest that name this name (A-label text): heads alone.
      def of_name(name, most:)
        uids = @db[:message_names].where(name: name).select_map(:uid)
        heads = @rows.where(uid: uids).select(:uid, :subject, :at, :kind, :trust)
        heads.all.sort_by { |m| [-m[:at].to_i, -m[:uid]] }.first(most)
      end

      def of_move(move_id) = @rows.where(move_id: move_id).reverse(:at, :uid).map { |r| one(r) }

      # Newest first, at most so many, after a place [at in seconds, uid]; kinds: those alone.
      def page(after: nil, limit: 100, kinds: nil)
        rows = newest.limit([limit, MOST].min)
        rows = rows.where(Sequel.lit("(coalesce(at, 0), uid) < (?, ?)", *after)) if after
        rows =
          rows.where(kind: kinds).from(Sequel.lit("messages INDEXED BY messages_kind")) if kinds
        rows.map { |r| one(r) }
      end

      def count = @db[:stamps].where(key: "messages").get(:count)
      def find(uid) = (row = @rows.where(uid: uid).first) && one(row)

      # What a message answers, where a person put that one right.
      def corrected(ids)
        return if ids.nil? || ids.empty?

        row = @rows.where(message_id: ids).exclude(corrected_by: nil).first
        row && one(row)
      end

      # A person's word on one message. trust: one of Core::Post::Sender::STATES; link: to approve
      # with, or nil.
      def correct(uid, kind:, names:, move_id:, trust:, link:, because:, by:)
        @rows.where(uid: uid).update(
          kind: kind,
          names: Values.dump(names),
          move_id: move_id,
          trust: trust,
          link: link,
          doubtful: trust == "doubtful",
          because: Values.dump(because),
          corrected_by: by
        )
      end

      # The sealed codes of a message in the clear: {"code", "codes", "candidates"}; nil where none
      # are.
      def codes(uid)
        sealed = @rows.where(uid: uid).get(:sealed_code) or return
        plain = @safe.open(sealed)
        found = plain.start_with?("{") ? JSON.parse(plain) : plain
        found.is_a?(Hash) ? found : { "code" => found, "codes" => {}, "candidates" => [found] }
      rescue JSON::ParserError
        { "code" => plain, "codes" => {}, "candidates" => [plain] }
      end

      # They are in the safe, or nobody wants them.
      def drop_codes(uid) = @rows.where(uid: uid).update(sealed_code: nil)

      # Those of a kind that count by themselves, newest first; names: that name one of these alone
      # (A-label texts), nil for all.
      def proven(kind, most, names: nil)
        rows = @rows
        rows = rows.where(uid: @db[:message_names].where(name: names).select(:uid)) if names
        rows
          .where(kind: kind, trust: "proven")
          .exclude(at: nil)
          .reverse(:at)
          .limit(most)
          .map { |r| one(r) }
      end

      # {identifier => in how many of the newest messages it stands on top}.
      def servers
        @rows.exclude(server: nil).reverse(:uid).limit(LOOKED_AT).select_map(:server).tally
      end

      private

      # Of rows that an earlier version kept, the Message-ID is all that is known.
      def same?(row, message)
        digest = self.class.digest(message)
        return row[:message_id] == message.message_id if row[:digest].nil? || digest.nil?

        row[:digest] == digest
      end

      def newest = @rows.order(Sequel.desc(Sequel.function(:coalesce, :at, 0)), Sequel.desc(:uid))

      def head(message, reading)
        masked =
          [message.subject, message.text].map do |text|
            plain =
              Core::Post::Masking.mask(text.to_s, reading.candidates.to_a, speaks: reading.speaks)
            plain.gsub(OWN_LINK) { "#{Regexp.last_match(1)}#{Core::Codes::Code.mask(nil)}" }
          end
        {
          uid: message.uid,
          message_id: message.message_id,
          sender: message.from,
          recipient: message.to,
          subject: masked.first,
          text: masked.last,
          at: message.at&.to_i,
          answers: message.answers&.first
        }
      end

      def sealed(reading)
        return if reading.candidates.to_a.empty?

        @safe.seal(
          JSON.generate(
            code: reading.code,
            codes: reading.codes.to_h,
            candidates: reading.candidates
          )
        )
      end

      def loaded(text, otherwise) = text ? Values.load(text) : otherwise

      def one(row)
        row.except(:sealed_code).merge(
          at: Values.time(row[:at]),
          deadline: Values.time(row[:deadline]),
          links: loaded(row[:links], []),
          facts: loaded(row[:facts], {}),
          has_codes: !row[:sealed_code].nil?,
          **LISTS.to_h { |k| [k, Values.load(row[k])] }
        )
      end
    end
  end
end
