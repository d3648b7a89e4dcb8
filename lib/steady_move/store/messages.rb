# frozen_string_literal: true

require "digest"
require "json"
require "zlib"

module SteadyMove
  module Store
    # Incoming mail as it was understood, and as a person corrected it (Core::Post::Kept).
    class Messages
      MOST = 200
      # Links of our own that let somebody in: they are nobody's who reads the post.
      OWN_LINK = %r{(/(?:invited|new-password)#)[[:alnum:]]+}
      # What a server of the mailbox's own is looked for in: the newest messages.
      LOOKED_AT = 50
      # What is kept of a message, worked out whole before anything is written: its row, and its
      # octets sealed, or nil.
      Ready = Struct.new(:row, :original)
      # Codes of a message in the clear. code: the one that stands in it, or nil; codes: {A-label
      # text => code}; candidates: all that may be one.
      Codes = Struct.new(:code, :codes, :candidates, keyword_init: true)

      def initialize(db, safe)
        @db = db
        @rows = db[:messages]
        @safe = safe
      end

      # UIDs above one that are kept of a mailbox as it counts now.
      def numbers(mailbox, uidvalidity, above: 0)
        there = @rows.where(mailbox: mailbox, uidvalidity: uidvalidity)
        there.where { uid > above }.select_map(:uid)
      end

      # The id of the message, where it is kept already. One with a known Message-ID and other
      # octets is another message.
      def known(message)
        place = message.place
        there = place && @rows.where(place.to_h).get(:id)
        return there if there
        return if message.message_id.nil?

        alike = @rows.where(message_id: message.message_id).select(:id, :message_id, :digest)
        alike.all.find { |row| same?(row, message) }&.fetch(:id)
      end

      # It lies at another place now: its mailbox counts anew.
      def moved(id, place) = @rows.where(id: id).update(place.to_h)

      # Its octets, however its lines end; nil where they are not at hand.
      def self.digest(message)
        message.raw && Digest::SHA256.hexdigest(message.raw.b.gsub("\r\n".b, "\n".b).strip)
      end

      # kept: Core::Post::Kept, without an id; server: the identifier in its topmost
      # Authentication-Results, or nil. What may be a code is masked in subject and text; the codes
      # themselves are sealed until they are in the code safe, and so is the message as it came.
      # Returns Ready.
      def ready(kept, server: nil)
        message = kept.message
        reading = kept.reading
        row = {
          **head(message, reading),
          **message.place.to_h,
          kind: reading.kind,
          link: reading.link,
          names: Values.dump(reading.names),
          digest: self.class.digest(message),
          because: Values.dump(reading.because),
          deadline: reading.deadline&.to_i,
          doubtful: reading.doubtful?,
          trust: reading.trust,
          move_id: kept.move_id,
          letter_id: kept.letter_id,
          read_kind: kept.read_kind || reading.kind,
          server: server,
          links: Values.dump(reading.links.to_a.map { |l| [l.url, l.words, l.role, l.host] }),
          facts: Values.dump(kept.facts || {}),
          sealed_code: sealed(reading)
        }
        Ready.new(row, message.raw && @safe.seal(Zlib::Deflate.deflate(message.raw.b)))
      end

      # Keeps what is ready. Returns its id.
      def keep(ready)
        @db.transaction do
          id = @rows.insert(ready.row)
          keep_original(id, ready)
          id
        end
      end

      # Keeps the head alone: nothing in it concerns anybody here, and the body lies in the mailbox
      # still. Returns its id.
      def keep_head(ready)
        @rows.insert(
          ready.row.merge(text: "", links: "[]", link: nil, sealed_code: nil, bodiless: true)
        )
      end

      # Puts text, links and sealed codes of what is ready beside a head that is kept, and its
      # original.
      def restore(id, ready)
        @db.transaction do
          body = ready.row.slice(:text, :links, :sealed_code)
          @rows.where(id: id).update(body.merge(bodiless: false))
          keep_original(id, ready)
        end
      end

      # A message as it came, its octets; nil where they weren't kept.
      def original(id)
        sealed = @db[:originals].where(id: id).get(:sealed) or return
        Zlib::Inflate.inflate(@safe.open(sealed).b)
      end

      # Newest first.
      def all = newest.map { |r| one(r) }

      # The newest from these domains and what lies under them, or from these addresses, but for
      # what is doubtful.
      def from(writers, most:)
        return [] if writers.empty?

        sender = Sequel.function(:lower, :sender)
        ends = writers.flat_map { |w| w.include?("@") ? [w] : ["%@#{w}", "%.#{w}"] }
        ends = ends.map { |e| sender.like(e.downcase) }
        trusted = newest.where(Sequel.|(*ends)).exclude(trust: Core::Post::Trust::DOUBTFUL)
        trusted.limit(most).map { |r| one(r) }
      end

      # The newest from a domain and what lies under it, whatever is believed of them.
      def written_from(domain, most:)
        sender = Sequel.function(:lower, :sender)
        ends = ["%@#{domain}", "%.#{domain}"].map { |e| sender.like(e.downcase) }
        newest.where(Sequel.|(*ends)).limit(most).map { |r| one(r) }
      end

      # Heads of the newest that name this name (A-label text): {id, subject, at in seconds, kind,
      # trust}.
      def of_name(name, most:)
        ids = @db[:message_names].where(name: name).select_map(:message)
        heads = @rows.where(id: ids).select(:id, :subject, :at, :kind, :trust)
        heads.all.sort_by { |m| [-m[:at].to_i, -m[:id]] }.first(most)
      end

      def of_move(move_id) = @rows.where(move_id: move_id).reverse(:at, :id).map { |r| one(r) }

      # Newest first, at most so many, after a place [at in seconds, id]; kinds: those alone.
      def page(after: nil, limit: 100, kinds: nil)
        rows = newest.limit([limit, MOST].min)
        rows = rows.where(Sequel.lit("(coalesce(at, 0), id) < (?, ?)", *after)) if after
        rows =
          rows.where(kind: kinds).from(Sequel.lit("messages INDEXED BY messages_kind")) if kinds
        rows.map { |r| one(r) }
      end

      def count = @db[:stamps].where(key: "messages").get(:count)
      def find(id) = (row = @rows.where(id: id).first) && one(row)

      # What a message answers, where a person put that one right.
      def corrected(ids)
        return if ids.nil? || ids.empty?

        row = @rows.where(message_id: ids).exclude(corrected_by: nil).first
        row && one(row)
      end

      # A person's word on one message. reading: with what it is to be taken for; move_id: of the
      # move that it is about, or nil.
      def correct(id, reading, move_id:, by:)
        @rows.where(id: id).update(
          kind: reading.kind,
          names: Values.dump(reading.names),
          move_id: move_id,
          trust: reading.trust,
          link: reading.link,
          doubtful: reading.doubtful?,
          because: Values.dump(reading.because),
          corrected_by: by
        )
      end

      # Codes of a message; nil where none are.
      def codes(id)
        sealed = @rows.where(id: id).get(:sealed_code) or return
        plain = @safe.open(sealed)
        found = plain.start_with?("{") ? JSON.parse(plain, symbolize_names: false) : plain
        found.is_a?(Hash) ? Codes.new(**found.transform_keys(&:to_sym)) : lone(plain)
      rescue JSON::ParserError
        lone(plain)
      end

      # They are in the safe, or nobody wants them.
      def drop_codes(id) = @rows.where(id: id).update(sealed_code: nil)

      # Those of a kind that count by themselves, newest first; names: that name one of these alone
      # (A-label texts), nil for all.
      def proven(kind, most, names: nil)
        rows = @rows
        rows = rows.where(id: @db[:message_names].where(name: names).select(:message)) if names
        counted = rows.where(kind: kind, trust: Core::Post::Trust::PROVEN).exclude(at: nil)
        counted.reverse(:at).limit(most).map { |r| one(r) }
      end

      # {identifier => in how many of the newest messages it stands on top}.
      def servers
        @rows.exclude(server: nil).reverse(:id).limit(LOOKED_AT).select_map(:server).tally
      end

      private

      # As an earlier version sealed it.
      def lone(code) = Codes.new(code: code, codes: {}, candidates: [code])

      def keep_original(id, ready)
        @db[:originals].insert_conflict.insert(id: id, sealed: ready.original) if ready.original
      end

      # Of rows that an earlier version kept, the Message-ID is all that is known.
      def same?(row, message)
        digest = self.class.digest(message)
        return row[:message_id] == message.message_id if row[:digest].nil? || digest.nil?

        row[:digest] == digest
      end

      def newest = @rows.order(Sequel.desc(Sequel.function(:coalesce, :at, 0)), Sequel.desc(:id))

      def head(message, reading)
        {
          message_id: message.message_id,
          sender: message.sender,
          recipient: message.recipient,
          subject: masked(message.subject, reading),
          text: masked(message.whole_text, reading),
          at: message.at&.to_i,
          answers: message.answers&.first
        }
      end

      def masked(text, reading)
        candidates = reading.candidates.to_a
        plain = Core::Post::Masking.mask(text.to_s, candidates, speaks: reading.speaks)
        plain.gsub(OWN_LINK) { "#{Regexp.last_match(1)}#{Core::Codes::Code.mask(nil)}" }
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
        Core::Post::Kept.new(
          message: message(row),
          reading: reading(row),
          facts: loaded(row[:facts], {}),
          has_codes: !row[:sealed_code].nil?,
          **row.slice(:id, :read_kind, :move_id, :letter_id, :corrected_by, :bodiless)
        )
      end

      def message(row)
        place = Core::Post::Place.new(**row.slice(:mailbox, :uidvalidity, :uid)) if row[:uid]
        Core::Post::Message.new(
          place: place,
          at: Values.time(row[:at]),
          **row.slice(:message_id, :sender, :recipient, :subject, :text)
        )
      end

      def reading(row)
        Core::Post::Reading.new(
          names: Values.load(row[:names]),
          because: Values.load(row[:because]),
          deadline: Values.time(row[:deadline]),
          links: loaded(row[:links], []).map { |link| link(*link) },
          **row.slice(:kind, :trust, :link)
        )
      end

      def link(url, words, role, host)
        Core::Post::Links::Link.new(url: url, words: words, role: role, host: host)
      end
    end
  end
end
