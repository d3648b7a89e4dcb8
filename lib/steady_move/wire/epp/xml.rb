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

        # Octets of one tag with its attributes.
        TAG_MOST = 16 * 1024
        # RFC 5730 §5; what declares another encoding is not looked into.
        ENCODINGS = [nil, "UTF-8", "US-ASCII", "UTF-16", "UTF-16LE", "UTF-16BE"].freeze

        # Parses without network, entities or DTD; raises Malformed.
        def parse(text)
          look_over(text.b.delete("\0"))
          doc = Nokogiri.XML(text) { |c| c.strict.nonet }
          raise Malformed, DOCTYPE if doc.internal_subset
          unless ENCODINGS.include?(doc.encoding&.upcase)
            raise Malformed, "an EPP message is written in #{doc.encoding}, not in UTF-8"
          end
          unless doc.root&.name == "epp" && doc.root.namespace&.href == EPP
            raise Malformed, "the root of an EPP message is not <epp>"
          end

          doc
        rescue Nokogiri::XML::SyntaxError => e
          raise Malformed, "an EPP message is not well-formed XML: #{e.message}"
        end

        DOCTYPE = "a document type declaration stands in an EPP message"
        DECLARED = /\A[^<]{0,8}<\?xml\b[^>]{0,200}?\bencoding\s*=\s*["']([^"']{1,40})/n

        # Before anything is built of it. octets: without NUL, so that UTF-16 reads like UTF-8 here.
        def look_over(octets)
          declared = octets[DECLARED, 1]
          raise Malformed, DOCTYPE if octets.include?("<!DOCTYPE")
          if declared && !ENCODINGS.include?(declared.upcase)
            raise Malformed, "an EPP message is written in #{declared[0, 40].inspect}, not in UTF-8"
          end

          long =
            octets
              .each_line("<")
              .any? { |piece| (piece.index(">") || piece.bytesize) > TAG_MOST && tag?(piece) }
          raise Malformed, "an EPP message holds a tag of more than #{TAG_MOST} octets" if long
        end

        # Of the pieces that end with the next “<”: a tag, not a comment or plain character data.
        def tag?(piece) = piece.match?(%r{\A(?:[a-zA-Z/?]|!(?!--))}n)

        # One <epp> document; yields a builder inside it.
        def document
          Nokogiri::XML::Builder
            .new(encoding: "UTF-8") { |x| x.epp(xmlns: EPP) { yield x } }
            .to_xml(save_with: Nokogiri::XML::Node::SaveOptions::AS_XML)
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
        private_class_method :look_over, :tag?
      end
    end
  end
end
