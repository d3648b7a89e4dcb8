# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Finds out what a zone holds by asking for names that are often there and for all that the
      # found records point at. It can never know that nothing else is there; what was asked is
      # told.
      class Probing
        # What is asked at every name that is there, and besides at the top.
        TYPES = %w[A AAAA CNAME MX TXT SRV CAA TLSA HTTPS NS].freeze
        TOP = %w[SOA SSHFP NAPTR LOC SPF].freeze
        # No list of found names grows beyond this.
        MOST = 1200
        # From what is pointed at, what that points at, and so on: so many times.
        DEEPEST = 4
        # A wildcard may answer each time from another place: so many random labels are asked for.
        NONCES = 3

        # zone: Zone of what was found; asked: how many names; wildcards: [Name] under which every
        # name answers, so that one that answers there says little.
        Probed =
          Struct.new(:zone, :asked, :wildcards, keyword_init: true) do
            def wildcard = wildcards.any?
          end

        # origin: Name; today: Date; nonce: callable, a label that nobody has, another each time;
        # more: names to ask for as well, as text. The block is given a Name and a type and answers
        # [rcode, [Record]] of one authoritative server. Returns Probed.
        def self.run(origin, today:, nonce:, more: [], &ask)
          labels = more + UsualLabels.all(origin, today)
          new(origin, nonce, ask).run(labels)
        end

        def initialize(origin, nonce, ask)
          @origin = origin
          @nonce = nonce
          @ask = ask
          @records = []
          @seen = {}
          @stars = {} # parent => texts of what stands at its wildcard
        end

        # labels: [String], relative to the origin or whole. Returns Probed.
        def run(labels)
          star(@origin)
          queue = [@origin, *labels.filter_map { |text| name(text) }].map { |n| [n, 0] }
          until queue.empty? || @seen.size >= MOST
            probed, depth = queue.shift
            next if @seen[probed]

            pointed = probe(probed)
            queue.concat(pointed.map { |n| [n, depth + 1] }) if depth < DEEPEST
          end
          Probed.new(
            zone: Zone.new(@origin, @records.uniq),
            asked: @seen.size,
            wildcards: @stars.select { |_, texts| texts.any? }.keys
          )
        end

        private

        def name(text)
          found = Name.parse(text.delete_suffix("."))
          found.under?(@origin) ? found : Name.parse(text, origin: @origin)
        rescue ArgumentError
          nil
        end

        # What stands at the wildcard under a name, kept; asked for once, by labels that nobody has.
        # What a wildcard above answers as well is no wildcard of its own.
        def star(parent)
          @stars[parent] ||= begin
            found = NONCES.times.flat_map { random(parent) }.uniq
            own = found.reject { |r| above(parent).include?(r.rdata.to_s) }
            @records.concat(own)
            own.map { |r| r.rdata.to_s }
          end
        end

        def random(parent)
          name = Name.new([@nonce.call, *parent.labels])
          star = Name.new(["*", *parent.labels])
          return [] if ask(name, TYPES.first).first == "NXDOMAIN"

          found = TYPES.flat_map { |type| ask(name, type)[1] }
          found.map { |r| Record.new(name: star, ttl: r.ttl, rdata: r.rdata) }
        rescue ArgumentError
          [] # no room for one more label
        end

        # What the wildcards at and above a name's parent answer.
        def above(name)
          return [] if name == @origin

          parent = name.parent
          star(parent) + above(parent)
        end

        # Returns the names that what was found here points at.
        def probe(name)
          @seen[name] = true
          rcode, first, aliased = ask(name, "A")
          return [] if rcode == "NXDOMAIN"

          found = held(name, first, aliased)
          return [] if by_wildcard?(name, found)

          @records.concat(found)
          site(name) + found.flat_map { |r| Pointing.names(r, @origin) }.uniq
        end

        # A name with an alias has nothing else (RFC 2181 §10.1).
        def held(name, first, aliased)
          types = TYPES.drop(1) + (name == @origin ? TOP : [])
          others = aliased.any? ? aliased : types.flat_map { |type| ask(name, type)[1] }
          (first + others).select { |r| r.name == name || r.type == "NS" }.uniq
        end

        # Below a host that is there, its site (common practice, no source).
        def site(name)
          return [] if name == @origin || name.labels.first.match?(/\A(?:_|www\z)/in)

          [Name.new(["www", *name.labels])]
        rescue ArgumentError
          [] # no room for one more label
        end

        # Nothing but what every name there answers.
        def by_wildcard?(name, found)
          return false if name == @origin || found.empty?

          all = above(name)
          found.all? { |r| all.include?(r.rdata.to_s) }
        end

        # [rcode, what the name itself holds of a type, its alias]; an alias's target is probed by
        # itself.
        def ask(name, type)
          rcode, records = @ask.call(name, type)
          own = records.select { |r| r.name == name }
          [rcode, own.select { |r| r.type == type }, own.select { |r| r.type == "CNAME" }]
        end
      end
    end
  end
end
