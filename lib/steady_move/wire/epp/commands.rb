# frozen_string_literal: true

module SteadyMove
  module Wire
    module Epp
      # Builds the client's messages (RFC 5730 §2.9, RFC 5731 §3). Every method returns XML text;
      # id: the client's transaction identifier (clTRID), the key that makes an act recognisable.
      module Commands
        module_function

        def hello = Xml.document(&:hello)

        # What the desk can use; only what a server offers is asked for.
        OBJECTS = [Xml::DOMAIN, Xml::CONTACT].freeze
        EXTENSIONS = [Xml::RGP, Xml::SECDNS].freeze

        # Signs in (RFC 5730 §2.9.1.1). objects, extensions: namespaces to use in this session.
        def login(client:, password:, id:, objects: OBJECTS, extensions: [])
          command(id) do |x|
            x.login do
              x.clID client
              x.pw password
              x.options do
                x.version "1.0"
                x.lang "en"
              end
              x.svcs do
                objects.each { |uri| x.objURI uri }
                x.svcExtension { extensions.each { |uri| x.extURI uri } } if extensions.any?
              end
            end
          end
        end

        def logout(id:) = command(id, &:logout)

        # Are these names free (RFC 5731 §3.1.1)?
        def check(names:, id:)
          command(id) { |x| x.check { object(x, :check) { |d| names.each { |n| d.name n } } } }
        end

        # auth_info: the authorization code, where it is to be checked or another's data is wanted
        # (RFC 5731 §3.1.2).
        def info(name:, id:, auth_info: nil)
          command(id) do |x|
            x.info do
              object(x, :info) do |d|
                d.name name, hosts: "all"
                auth(d, auth_info) if auth_info
              end
            end
          end
        end

        # A contact's data (RFC 5733 §3.1.2).
        def contact_info(contact:, id:)
          command(id) { |x| x.info { x.info(xmlns: Xml::CONTACT) { x.id_ contact } } }
        end

        # Changes a contact: only what is given, a whole postal address or none (RFC 5733 §3.2.5).
        # email, voice: text; postal: {"name", "org", "street", "city", "country" => text}.
        def contact_update(contact:, id:, email: nil, voice: nil, postal: nil)
          command(id) do |x|
            x.update do
              x.update(xmlns: Xml::CONTACT) do
                x.id_ contact
                x.chg do
                  postal(x, postal) if postal
                  x.voice voice if voice
                  x.email email if email
                end
              end
            end
          end
        end

        # add, rem: {statuses: [], name_servers: [], ds: [DS data as in a zone file]}, rem may say
        # ds: :all; auth_info: a new authorization code (RFC 5731 §3.2.5; DS: RFC 5910 §5.2.5).
        def update(name:, id:, add: {}, rem: {}, auth_info: nil)
          command(id, extension: signing(add[:ds], rem[:ds])) do |x|
            x.update do
              object(x, :update) do |d|
                d.name name
                change(d, :add, add)
                change(d, :rem, rem)
                d.chg { auth(d, auth_info) } if auth_info
              end
            end
          end
        end

        # A year more, or several (RFC 5731 §3.2.3). expires_at: Time, the expiry that it has now:
        # with another one nothing is renewed; years: 1 to 10.
        def renew(name:, id:, expires_at:, years:)
          command(id) do |x|
            x.renew do
              object(x, :renew) do |d|
                d.name name
                d.curExpDate expires_at.utc.strftime("%F")
                d.period years, unit: "y"
              end
            end
          end
        end

        # op: request, query, approve, reject or cancel; years: for a request (RFC 5731 §3.1.3,
        # §3.2.4).
        def transfer(op:, name:, id:, auth_info: nil, years: nil)
          command(id) do |x|
            x.transfer(op: op) do
              object(x, :transfer) do |d|
                d.name name
                d.period years, unit: "y" if years
                auth(d, auth_info) if auth_info
              end
            end
          end
        end

        def poll_request(id:) = command(id) { |x| x.poll(op: "req") }
        def poll_acknowledge(message_id:, id:)
          command(id) { |x| x.poll(op: "ack", msgID: message_id) }
        end

        # extension: writes what stands in <extension>, or nil.
        def command(id, extension: nil)
          Xml.document do |x|
            x.command do
              yield x
              x.extension { extension.call(x) } if extension
              x.clTRID id
            end
          end
        end

        # RFC 5910 §5.2.5: what is removed stands before what is added.
        def signing(add, rem)
          return if add.to_a.empty? && (rem.nil? || rem == [])

          lambda do |x|
            x.update(xmlns: Xml::SECDNS) do
              if rem && rem != []
                x.rem { rem == :all ? x.all("true") : rem.each { |ds| ds_data(x, ds) } }
              end
              x.add { add.each { |ds| ds_data(x, ds) } } if add.to_a.any?
            end
          end
        end

        def ds_data(builder, text)
          tag, algorithm, kind, *digest = text.split
          builder.dsData do
            builder.keyTag tag
            builder.alg algorithm
            builder.digestType kind
            builder.digest digest.join
          end
        end

        def object(builder, verb)
          builder.public_send(verb, xmlns: Xml::DOMAIN) { yield builder }
        end

        def postal(builder, fields)
          builder.postalInfo(type: "int") do
            builder.name fields["name"]
            builder.org fields["org"] if fields["org"]
            builder.addr do
              fields["street"].to_s.split("\n").first(3).each { |line| builder.street line }
              builder.city fields["city"]
              builder.cc fields["country"]
            end
          end
        end

        def auth(builder, code)
          builder.authInfo { builder.pw code }
        end

        def change(builder, side, parts)
          servers = parts.fetch(:name_servers, [])
          statuses = parts.fetch(:statuses, [])
          return if servers.empty? && statuses.empty?

          builder.public_send(side) do
            builder.ns { servers.each { |s| builder.hostObj s } } if servers.any?
            statuses.each { |s| builder.status(s: s) }
          end
        end
        private_class_method :command, :signing, :ds_data, :object, :postal, :auth, :change
      end
    end
  end
end
