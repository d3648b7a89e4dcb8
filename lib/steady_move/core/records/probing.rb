# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Finds out what a zone holds by asking for names that are often there and for all that the
      # found records point at. It can never know that nothing else is there; what was asked is
      # told.
      class Probing
        # Labels under which sites, mail and services usually stand (common practice, no source; the
        # names with an underscore as their RFCs and IANA's registry of service names have them).
        HOSTS = %w[
          www
          mail
          smtp
          imap
          pop
          webmail
          mx
          mx1
          mx2
          mx3
          mail1
          mail2
          autodiscover
          autoconfig
          mta-sts
          ns
          ns1
          ns2
          ns3
          dns1
          dns2
          ftp
          sftp
          api
          app
          apps
          blog
          shop
          store
          dev
          test
          staging
          stage
          beta
          demo
          preview
          cdn
          static
          assets
          img
          images
          media
          files
          download
          downloads
          cloud
          vpn
          remote
          gateway
          intranet
          extranet
          portal
          login
          sso
          auth
          id
          account
          my
          admin
          status
          help
          support
          docs
          wiki
          forum
          chat
          meet
          video
          voice
          sip
          git
          ci
          build
          monitor
          stats
          m
          mobile
          web
          www2
          old
          new
          book
          booking
          tickets
          pay
          news
          events
          calendar
          contact
          lists
          go
          link
          links
          search
          maps
          live
          tv
          radio
          db
          office
          home
          lab
          labs
          partner
          partners
          client
          clients
          info
          jobs
        ].freeze
        SERVICES = %w[
          _dmarc
          _mta-sts
          _smtp._tls
          _domainkey
          default._domainkey
          dkim._domainkey
          mail._domainkey
          selector1._domainkey
          selector2._domainkey
          s1._domainkey
          s2._domainkey
          k1._domainkey
          k2._domainkey
          _acme-challenge
          _acme-challenge.www
          _sip._tcp
          _sip._udp
          _sip._tls
          _sips._tcp
          _xmpp-client._tcp
          _xmpp-server._tcp
          _imap._tcp
          _imaps._tcp
          _pop3s._tcp
          _submission._tcp
          _submissions._tcp
          _autodiscover._tcp
          _caldav._tcp
          _caldavs._tcp
          _carddav._tcp
          _carddavs._tcp
          _ldap._tcp
          _matrix._tcp
          _stun._udp
          _turn._udp
          _443._tcp
          _443._tcp.www
          _25._tcp
          _report._dmarc
          _adsp._domainkey
          _atproto
        ].freeze
        # What is asked at every name that is there, and besides at the top.
        TYPES = %w[A AAAA CNAME MX TXT SRV CAA TLSA HTTPS NS].freeze
        TOP = %w[SOA SSHFP NAPTR LOC SPF].freeze
        # No list of found names grows beyond this.
        MOST = 600
        # From what is pointed at, what that points at, and so on: so many times.
        DEEPEST = 4

        # zone: Zone of what was found; asked: how many names; wildcard: does every name answer, so
        # that a name that answers says little?
        Probed = Struct.new(:zone, :asked, :wildcard, keyword_init: true)

        # origin: Name; more: labels to ask for as well, as text; nonce: a label that nobody has.
        # The block is given a Name and a type and answers [rcode, [Record]] of one authoritative
        # server.
        def self.run(origin, nonce:, more: [], &ask) = new(origin, ask).run(more, nonce)

        def initialize(origin, ask)
          @origin = origin
          @ask = ask
          @records = []
          @seen = {}
        end

        # As self.run. Returns Probed.
        def run(more, nonce)
          wildcard = answers?(Name.new([nonce] + @origin.labels))
          wild(nonce) if wildcard
          queue =
            ([@origin] + (HOSTS + SERVICES + more).filter_map { |text| name(text) }).map do |n|
              [n, 0]
            end
          until queue.empty? || @seen.size >= MOST
            probed, depth = queue.shift
            next if @seen[probed]

            pointed = probe(probed, wildcard)
            queue.concat(pointed.map { |n| [n, depth + 1] }) if depth < DEEPEST
          end
          Probed.new(zone: Zone.new(@origin, @records.uniq), asked: @seen.size, wildcard: wildcard)
        end

        private

        def name(text)
          Name.parse(text, origin: @origin)
        rescue ArgumentError
          nil
        end

        def answers?(name) = TYPES.first(5).any? { |type| ask(name, type)[1].any? }

        # What stands at the wildcard itself.
        def wild(nonce)
          star = Name.new(["*"] + @origin.labels)
          TYPES.each do |type|
            ask(Name.new([nonce] + @origin.labels), type)[1].each { |r| @records << at(star, r) }
          end
        end

        def at(name, record) = Record.new(name: name, ttl: record.ttl, rdata: record.rdata)

        # Returns the names that what was found here points at.
        def probe(name, wildcard)
          @seen[name] = true
          rcode, first, aliased = ask(name, "A")
          return [] if rcode == "NXDOMAIN"

          # A name with an alias has nothing else (RFC 2181 §10.1).
          types = TYPES.drop(1) + (name == @origin ? TOP : [])
          others = aliased.any? ? aliased : types.flat_map { |type| ask(name, type)[1] }
          found = first + others
          found = found.select { |r| r.name == name || r.type == "NS" }.uniq
          @records.concat(found) unless wildcard && name != @origin && by_wildcard?(found)
          found.flat_map { |r| targets(r) }.select { |n| n.under?(@origin) }
        end

        # Nothing but what every name answers.
        def by_wildcard?(found)
          star = @records.select { |r| r.name.wildcard? }.map { |r| r.rdata.to_s }
          found.any? && found.all? { |r| star.include?(r.rdata.to_s) }
        end

        # [rcode, what the name itself holds of a type, its alias]; an alias's target is probed by
        # itself.
        def ask(name, type)
          rcode, records = @ask.call(name, type)
          own = records.select { |r| r.name == name }
          [rcode, own.select { |r| r.type == type }, own.select { |r| r.type == "CNAME" }]
        end

        def targets(record)
          values = record.rdata.values
          named = values.grep(Name)
          record.type == "TXT" ? [] : named + service_names(record)
        end

        # A mail server's certificate is pinned beside it (RFC 7672 §3.1).
        def service_names(record)
          record.type == "MX" ? [Name.new(%w[_25 _tcp] + record.rdata.values.last.labels)] : []
        rescue ArgumentError
          []
        end
      end
    end
  end
end
