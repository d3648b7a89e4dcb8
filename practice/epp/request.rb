# frozen_string_literal: true

module Practice
  module Epp
    X = SteadyMove::Wire::Epp::Xml

    # A client's command as the server understands it (RFC 5730 §2.9, RFC 5731 §3).
    # verb: hello, login, logout, check, info, update, renew, transfer or poll; key: clTRID.
    Request =
      Struct.new(
        :verb,
        :names,
        :op,
        :key,
        :auth,
        :years,
        :add,
        :rem,
        :client,
        :password,
        :message_id,
        :contact,
        :email,
        :extensions,
        :expires,
        keyword_init: true
      ) do
        def self.parse(text)
          doc = X.parse(text)
          return new(verb: "hello") if doc.at_xpath("/e:epp/e:hello", X::NS)

          command = doc.at_xpath("/e:epp/e:command", X::NS) or raise Refusal, 2000
          verb = command.elements.first
          new(
            verb: verb.name,
            op: verb["op"],
            key: X.text(command, "e:clTRID"),
            client: X.text(verb, "e:clID"),
            password: X.text(verb, "e:pw"),
            message_id: verb["msgID"],
            extensions: X.texts(verb, "e:svcs/e:svcExtension/e:extURI"),
            **object(verb)
          )
        end

        def self.object(verb)
          contact = X.text(verb, "c:info/c:id | c:update/c:id")
          return { contact: contact, email: X.text(verb, "c:update/c:chg/c:email") } if contact

          node = verb.at_xpath("d:*", X::NS) or return {}
          {
            names: X.texts(node, "d:name").map(&:downcase),
            auth: X.text(node, "d:authInfo/d:pw | d:chg/d:authInfo/d:pw"),
            years: X.text(node, "d:period")&.to_i,
            expires: X.text(node, "d:curExpDate"),
            add: change(node, "add").merge(ds: ds(verb, "add")),
            rem: change(node, "rem").merge(ds: ds(verb, "rem"))
          }
        end

        # RFC 5910 §5.2.5.
        def self.ds(verb, side)
          update = verb.at_xpath("../e:extension/secDNS:update", X::NS) or return []
          if %w[1 true].include?(X.text(update, "secDNS:#{side}/secDNS:all").to_s.strip)
            return "all"
          end

          update
            .xpath("secDNS:#{side}/secDNS:dsData", X::NS)
            .map do |data|
              %w[keyTag alg digestType digest]
                .map { |m| X.text(data, "secDNS:#{m}").strip }
                .join(" ")
            end
        end

        def self.change(node, side)
          {
            statuses: node.xpath("d:#{side}/d:status", X::NS).map { |s| s["s"] },
            name_servers: X.texts(node, "d:#{side}/d:ns/d:hostObj").map(&:downcase)
          }
        end
        private_class_method :object, :change, :ds

        def name
          names&.first
        end or raise(Refusal, 2003)
      end
  end
end
