# frozen_string_literal: true

require "nokogiri"

module SteadyMove
  module Wire
    module Epp
      # Namespaces, dates and safe parsing shared by both sides.
      module Xml
        EPP = "urn:ietf:params:xml:ns:epp-1.0"
        DOMAIN = "urn:ietf:params:xml:ns:domain-1.0"
        CONTACT = "urn:ietf:params:xml:ns:contact-1.0"
        RGP = "urn:ietf:params:xml:ns:rgp-1.0"
        SECDNS = "urn:ietf:params:xml:ns:secDNS-1.1"
        NS = { "e" => EPP, "d" => DOMAIN, "c" => CONTACT, "rgp" => RGP, "secDNS" => SECDNS }.freeze

        module_function

        # Parses without network, entities or DTD; raises Malformed.
        def parse(text)
          raise Malformed, "a document type declaration stands in an EPP message" if text.include?("<!DOCTYPE")

          doc = Nokogiri::XML(text) { |c| c.strict.nonet }
          unless doc.root&.name == "epp" && doc.root.namespace&.href == EPP
            raise Malformed,
              "the root of an EPP message is not <epp>"
          end

          doc
        rescue Nokogiri::XML::SyntaxError => e
          raise Malformed, "an EPP message is not well-formed XML: #{e.message}"
        end

        # One <epp> document; yields a builder inside it.
        def document
          Nokogiri::XML::Builder.new(encoding: "UTF-8") do |x|
            x.epp(xmlns: EPP) { yield x }
          end.to_xml(save_with: Nokogiri::XML::Node::SaveOptions::AS_XML)
        end

        def text(node, path) = node.at_xpath(path, NS)&.text
        def texts(node, path) = node.xpath(path, NS).map(&:text)

        # xs:dateTime ↔ Time; without a zone it is UTC (RFC 5731 §2.4).
        def time(text)
          text && Core::Instant.parse(text.strip, zoneless: true)
        rescue ArgumentError
          raise Malformed, "“#{text}” is not a date and time"
        end

        def stamp(time) = time.utc.strftime("%Y-%m-%dT%H:%M:%SZ")
      end
    end
  end
end
