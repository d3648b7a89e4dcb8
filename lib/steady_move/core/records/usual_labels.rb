# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Labels under which something usually stands in a zone (common practice, no source; those
      # with an underscore as their RFCs and IANA's registry of service names have them). One more
      # is one more word here.
      module UsualLabels
        # Sites, mail servers, services.
        HOSTS = <<~WORDS.split.freeze
          www mail smtp imap pop webmail mx mx1 mx2 mx3 mail1 mail2 autodiscover autoconfig
          mta-sts ns ns1 ns2 ns3 dns1 dns2 ftp sftp api app apps blog shop store dev test
          staging stage beta demo preview cdn static assets img images media files download
          downloads cloud vpn remote gateway intranet extranet portal login sso auth id account
          my admin status help support docs wiki forum chat meet video voice sip git ci build
          monitor stats m mobile web www2 old new book booking tickets pay news events calendar
          contact lists go link links search maps live tv radio db office home lab labs partner
          partners client clients info jobs spf bounce bounces return email em click track open
          unsubscribe newsletter relay out mailer mta imap4 pop3 ns4 mx0 mail3 host server
          server1 srv proxy secure ssl backup nas print data sql erp crm hr survey forms map
          team teams start de en fr es it nl uk us eu preprod prod uat qa sandbox rc v1 v2
          internal public origin edge lb upload uploads feed feeds rss ads press careers about
          donate members member register signup ticket desk service services board photo photos
          gallery game games panel www1 www3 ipv4 ipv6 time ntp radius ldap ad dc cal caldav
          carddav dav rtc turn stun conference jabber xmpp social hub lms elearning academy
          school library opac
        WORDS
        # Places of policies (RFC 8552 §4) and of services (RFC 2782, RFC 6186, RFC 6764, RFC 6763).
        SERVICES = <<~WORDS.split.freeze
          _dmarc _mta-sts _smtp._tls _domainkey _acme-challenge _acme-challenge.www _sip._tcp
          _sip._udp _sip._tls _sips._tcp _xmpp-client._tcp _xmpp-server._tcp _imap._tcp
          _imaps._tcp _pop3s._tcp _submission._tcp _submissions._tcp _autodiscover._tcp
          _caldav._tcp _caldavs._tcp _carddav._tcp _carddavs._tcp _ldap._tcp _matrix._tcp
          _stun._udp _turn._udp _443._tcp _443._tcp.www _25._tcp _report._dmarc _atproto _spf
          _pop3._tcp _jmap._tcp _sieve._tcp _sipfederationtls._tcp _h323cs._tcp _kerberos
          _kerberos._udp _kerberos._tcp _kpasswd._tcp _ldaps._tcp _matrix-fed._tcp _ntp._udp
          _http._tcp _https._tcp _ftp._tcp _ssh._tcp _stuns._tcp _turns._tcp _adsp._domainkey
          _policy._domainkey _report _dnsauth
        WORDS
        # What keys for signing mail are called (RFC 6376 §3.1 leaves the choice to the signer).
        SELECTORS = <<~WORDS.split.freeze
          default dkim mail email smtp mx mta mailer key key1 key2 key3 k1 k2 k3 s1 s2 s3 s1024
          s2048 selector selector1 selector2 selector3 sel sel1 sel2 dkim1 dkim2 dkim3 dkim1024
          dkim2048 dk dk1 d1 d2 m1 m2 m3 mail1 mail2 mail3 x1 x2 a b c a1 a2 t1 t2 one two first
          second primary secondary main prod prod1 beta rsa rsa1 rsa2 rsa2048 ed ed1 ed25519 sig
          sig1 sign sign1 server host web www root private public auth list lists news
          newsletter marketing bulk campaign shop crm tx notify bounce 1 2 3 1024 2048
        WORDS
        # Keys are named after the month or the day on which they were made as well; so many months.
        MONTHS = 24

        module_function

        # origin: Name; today: Date. Returns [String]: selectors that a zone may use, those that
        # are named after a day and after the zone itself among them.
        def selectors(origin, today)
          months = (0...MONTHS).map { |n| Date.new(today.year, today.month, 1) << n }
          dated = months.flat_map { |d| [d.strftime("%Y%m"), d.strftime("%Y%m%d")] }
          years = months.map { |d| d.year.to_s }.uniq
          SELECTORS + dated + years + [origin.labels.first.to_s]
        end

        # As selectors. Returns [String], relative to the origin, each once.
        def all(origin, today)
          keys = selectors(origin, today).map { |s| "#{s}._domainkey" }
          (HOSTS + SERVICES + keys).uniq
        end
      end
    end
  end
end
